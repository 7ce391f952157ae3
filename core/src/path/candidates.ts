/** Every shape that a chord may take in a path, each with what it costs by itself. */

import { bestOf, type Promising, promising, type TastedShape } from '../answer/index.ts'
import type { Chord } from '../chord/index.ts'
import { BASS_RANGE_BELOW, type Fingering, type HandOnNeck, handOn, reachMm } from '../hand/index.ts'
import { fingertipMm, type Neck, soundingMidi } from '../neck/index.ts'
import { type Midi, pitchClassOf } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import { compactFrets } from '../taste/index.ts'
import {
  everyStringSet,
  type Frets,
  highestPressed,
  lowestPressed,
  type SoundedTones,
  tonesReader,
} from '../voicing/index.ts'
import type { PathGapReason, PathQuestion, PathShape, SettledQuestion } from './types.ts'
import { MOST_CANDIDATES, ROOT_ELSEWHERE } from './weights.ts'

const ANY = { kind: 'any' } as const

export interface Candidates {
  /** The name of the chord, the same for the same chord. */
  readonly chord: string
  readonly shapes: readonly PathShape[]
  /** Why there is none, or what stands against what is asked. */
  readonly gap: PathGapReason | undefined
}

/** What was searched; good for every question on the same neck, by the same hand, with the same wishes and weights. */
export interface CandidateMemory {
  readonly hand: HandOnNeck
  /** By chord. */
  readonly searched: Map<string, Searched>
  /** By chord and what is asked of its place. */
  readonly wished: Map<string, Candidates>
  /** By chord and frets. */
  readonly held: Map<string, Candidates>
}

export const candidateMemory = ({ neck, hand, thumb }: PathQuestion): CandidateMemory => ({
  hand: handOn(neck, hand, { thumb }),
  searched: new Map(),
  wished: new Map(),
  held: new Map(),
})

const kept = <Value>(map: Map<string, Value>, name: string, make: () => Value): Value => {
  const before = map.get(name)
  if (before !== undefined) return before
  const now = make()
  map.set(name, now)
  return now
}

/** Gives one chord's candidates after another; what comes again is searched once. */
export function candidatesFor(question: SettledQuestion, memory: CandidateMemory): (index: number) => Candidates {
  const heldAt = new Map(question.held.map(({ chord, frets }) => [chord, frets]))
  const { roots } = question.wishes
  return (index) => {
    const chord = requireAt(question.chords, index)
    const name = `${chord.root} ${chord.formula.join()} ${chord.bass ?? ''}`
    const all = () => kept(memory.searched, name, () => searched(chord, question, memory.hand))
    const held = heldAt.get(index)
    if (held)
      return kept(memory.held, `${name}|${held.join()}`, () => ({
        chord: name,
        ...heldShape(chord, held, question, all()),
      }))
    const place = `${name}|${roots ? index % roots.length : ''}|${question.melody?.[index] ?? ''}`
    return kept(memory.wished, place, () => ({ chord: name, ...wished(all(), chord, index, question) }))
  }
}

/** What a player may take for a chord, whatever else is asked of its place. */
interface Searched extends Promising {
  readonly read: (frets: Frets) => SoundedTones | undefined
}

function searched(chord: Chord, question: SettledQuestion, hand: HandOnNeck): Searched {
  const { neck, wishes, hand: profile } = question
  const { strings, voices } = wishes
  const stringSets =
    strings ??
    (voices === undefined ? undefined : everyStringSet(neck.open.length).filter(({ length }) => length === voices))
  const found = (wishes.arrangements.length === 0 ? [ANY] : wishes.arrangements).map((arrangement) =>
    promising(
      {
        chord,
        neck,
        stringSets,
        arrangement,
        doubling: true,
        school: wishes.school,
        fretMin: wishes.fretMin,
        fretMax: wishes.fretMax,
        reachLimitMm: profile.stretchMm,
        open: wishes.open,
      },
      wishes,
      profile,
      hand,
    ),
  )
  const first = requireAt(found, 0)
  return {
    ...first,
    shapes: found.length === 1 ? first.shapes : together(found),
    read: tonesReader(chord, neck),
  }
}

/** Two arrangements may share a shape. */
const together = (found: readonly Promising[]): Promising['shapes'] => [
  ...new Map(
    found
      .flatMap(({ shapes }) => shapes)
      .toSorted((a, b) => a.least - b.least)
      .map((shape) => [shape.frets.join(), shape]),
  ).values(),
]

function shapeOf(
  { frets, hold, total }: TastedShape,
  { degrees, midis }: SoundedTones,
  { reader, hand }: Searched,
  { neck, weights }: SettledQuestion,
  broken: number,
): PathShape {
  const parts = { taste: weights.taste * total, wishes: broken }
  let fingering: Fingering | undefined
  return {
    frets,
    degrees,
    midis,
    fingers: hold.fingers,
    parts,
    // Of some hundred candidates a handful are ever shown.
    get fingering() {
      fingering ??= hand.bestFingering(frets) as Fingering
      return fingering
    },
    get taste() {
      return reader.tasteOf(frets, hold)
    },
    reachMm: reachMm(neck, frets),
    indexMm: indexPlace(frets, hold.fingers, neck),
    cost: parts.taste + parts.wishes,
  }
}

/** Where the index fingertip rests: at its own fret, else as many frets below the first finger down as it is fingers before it. */
export function indexPlace(frets: Frets, fingers: Fingering['fingers'], { scaleLengthMm }: Neck): number | undefined {
  let first: { finger: number; fret: number } | undefined
  for (let string = 0; string < fingers.length; string++) {
    const finger = fingers[string] ?? null
    const fret = frets[string]
    if (finger === null || finger === 'T' || fret === null || fret === undefined) continue
    if (!first || finger < first.finger) first = { finger, fret }
  }
  if (!first) {
    const lowest = lowestPressed(frets)
    return lowest === 0 ? undefined : fingertipMm(scaleLengthMm, lowest)
  }
  return fingertipMm(scaleLengthMm, Math.max(1, first.fret - (first.finger - 1)))
}

type Found = Omit<Candidates, 'chord'>

function heldShape(chord: Chord, frets: Frets, question: SettledQuestion, all: Searched): Found {
  const tones = tonesReader(chord, question.neck)(frets)
  if (!tones) return { shapes: [], gap: 'not-it' }
  const hold = all.hand.bestHold(frets)
  if (!hold) return { shapes: [], gap: 'hand' }
  const { fretMin, fretMax } = question.wishes
  const lowest = lowestPressed(frets)
  const isOutside = (lowest > 0 && lowest < fretMin) || highestPressed(frets) > fretMax
  const total = all.reader.total(compactFrets(frets), 0, hold)
  return {
    shapes: [shapeOf({ frets, hold, total }, tones, all, question, 0)],
    gap: isOutside ? 'outside' : undefined,
  }
}

/** What is asked of this chord's place in the tune. The first wish that leaves nothing is the reason. */
function wished(all: Searched, chord: Chord, index: number, question: SettledQuestion): Found {
  const { wishes, melody, neck, weights, candidates = MOST_CANDIDATES } = question
  const { read } = all
  let left = all.shapes
  if (left.length === 0) return { shapes: [], gap: 'no-shape' }
  const keep = (test: (midis: readonly Midi[]) => boolean): boolean => {
    left = left.filter(({ frets }) => test(read(frets)?.midis.flatMap((midi) => midi ?? []) ?? []))
    return left.length > 0
  }
  const top = melody?.[index]
  if (top !== undefined && !keep((midis) => Math.max(...midis) === top)) return { shapes: [], gap: 'melody' }
  if (wishes.aboveBass && !keep((midis) => Math.min(...midis) >= BASS_RANGE_BELOW)) return { shapes: [], gap: 'bass' }
  const { roots } = wishes
  const turn = roots && roots.length > 0 ? (roots[index % roots.length] as number) : undefined
  const root = pitchClassOf(chord.root)
  const isTurn = (frets: Frets): boolean => {
    if (turn === undefined) return true
    const fret = frets[turn] ?? null
    return (
      fret !== null && frets.findIndex((one) => one !== null) === turn && soundingMidi(neck, turn, fret) % 12 === root
    )
  }
  const broken = (frets: Frets): number => (isTurn(frets) ? 0 : ROOT_ELSEWHERE)
  // In points of taste, so that what is kept is what costs least.
  const perPoint = Math.max(weights.taste, 1e-6)
  const { shapes } = bestOf({ ...all, shapes: left }, candidates, { extra: (frets) => broken(frets) / perPoint })
  if (shapes.length === 0) return { shapes: [], gap: 'hand' }
  const made = shapes.flatMap((shape) => {
    const tones = read(shape.frets)
    const wish = broken(shape.frets)
    return tones ? [shapeOf({ ...shape, total: shape.total - wish / perPoint }, tones, all, question, wish)] : []
  })
  return { shapes: made, gap: undefined }
}
