/** One shape on all twelve roots, each at the lowest place where the hand holds it. */
import { type Chord, plainestRoot } from '../chord/index.ts'
import { type HandProfile, handOn } from '../hand/index.ts'
import type { Fret, Neck, StringIndex } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import { type Frets, slide, soundingStrings, type Voicing } from '../voicing/index.ts'

export interface RootPlace {
  readonly chord: Chord
  readonly frets: Frets
  /** Where its lowest string is pressed: what the eye goes along. */
  readonly fret: Fret
  /** False where this neck has it only as far as the hand does not reach. */
  readonly held: boolean
}

export interface EveryRoot {
  /** The string along which it is told. */
  readonly string: StringIndex
  /** From the nut up. Roots that the neck does not hold are left out; with an open string there is none. */
  readonly places: readonly RootPlace[]
}

const OCTAVES = [-24, -12, 0, 12]

export function onEveryRoot(
  { frets, chord }: Pick<Voicing, 'frets' | 'chord'>,
  neck: Neck,
  hand: HandProfile,
  options: { readonly thumb?: boolean } = {},
): EveryRoot {
  const { canHold } = handOn(neck, hand, options)
  const [string = 0] = soundingStrings(frets)
  const places = Array.from({ length: 12 }, (_, up) => up).flatMap((up): readonly RootPlace[] => {
    const there = OCTAVES.map((octave) => slide(frets, neck, up + octave)).filter((moved) => moved !== undefined)
    const easy = there.find(canHold)
    const best = easy ?? there[0]
    const fret = best?.[string]
    if (!best || fret === null || fret === undefined) return []
    const root = plainestRoot((pitchClassOf(chord.root) + up) % 12, chord.formula)
    return [{ chord: { root, formula: chord.formula }, frets: best, fret, held: easy !== undefined }]
  })
  return { string, places: places.toSorted((a, b) => a.fret - b.fret) }
}

/** By how many semitones a row goes from root to root. */
export const ROW_STEPS = { fourths: 5, fifths: 7, semitones: 1 } as const
export type RowStep = keyof typeof ROW_STEPS

/** The places as a row that starts at a chord and goes on by one interval; each root once. */
export function rowOfRoots(places: readonly RootPlace[], from: Chord, step: RowStep): readonly RootPlace[] {
  const start = pitchClassOf(from.root)
  return Array.from({ length: 12 }, (_, index) => (start + index * ROW_STEPS[step]) % 12).flatMap(
    (root) => places.find(({ chord }) => pitchClassOf(chord.root) === root) ?? [],
  )
}
