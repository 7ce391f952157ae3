/** Scales by their degrees: seven-note parents with their modes, symmetrical ones, pentatonics and the blues scale. */

import { type Degree, degreePitchClass, degreeSemitones, type PitchClassSet, pitchClassSetOf } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'

export type ScaleFamily =
  | 'major'
  | 'melodic minor'
  | 'harmonic minor'
  | 'harmonic major'
  | 'symmetrical'
  | 'pentatonic'
  | 'blues'

export interface Scale {
  readonly name: string
  readonly family: ScaleFamily
  /** Which step of the family's first scale it starts from, 1 for that scale itself. */
  readonly mode: number
  /** From the tonic up; the first is `R`. */
  readonly degrees: readonly Degree[]
  /** Pitch classes above the tonic, bit n for n semitones. */
  readonly mask: PitchClassSet
}

const PARENTS: Readonly<
  Record<'major' | 'melodic minor' | 'harmonic minor' | 'harmonic major', { degrees: string; modes: string }>
> = {
  major: {
    degrees: 'R 2 3 4 5 6 7',
    modes: 'major (Ionian), Dorian, Phrygian, Lydian, Mixolydian, natural minor (Aeolian), Locrian',
  },
  'melodic minor': {
    degrees: 'R 2 b3 4 5 6 7',
    modes: 'melodic minor, Dorian b2, Lydian augmented, Lydian dominant, Mixolydian b6, Locrian 2, altered',
  },
  'harmonic minor': {
    degrees: 'R 2 b3 4 5 b6 7',
    modes: 'harmonic minor, Locrian 6, major #5, Dorian #4, Phrygian dominant, Lydian #2, altered bb7',
  },
  'harmonic major': {
    degrees: 'R 2 3 4 5 b6 7',
    modes: 'harmonic major, Dorian b5, Phrygian b4, Lydian b3, Mixolydian b2, Lydian augmented #2, Locrian bb7',
  },
}

const OTHERS: readonly (readonly [string, ScaleFamily, string])[] = [
  ['whole tone', 'symmetrical', 'R 2 3 #4 #5 b7'],
  ['half-whole octatonic', 'symmetrical', 'R b2 #2 3 #4 5 6 b7'],
  ['whole-half octatonic', 'symmetrical', 'R 2 b3 4 b5 b6 6 7'],
  ['major pentatonic', 'pentatonic', 'R 2 3 5 6'],
  ['minor pentatonic', 'pentatonic', 'R b3 4 5 b7'],
  ['blues', 'blues', 'R b3 4 b5 5 b7'],
]

const MAJOR_SEMITONES = [0, 2, 4, 5, 7, 9, 11] as const

const scale = (name: string, family: ScaleFamily, mode: number, degrees: readonly Degree[]): Scale => ({
  name,
  family,
  mode,
  degrees,
  mask: pitchClassSetOf(degrees.map(degreePitchClass)),
})

const list = (degrees: string): readonly Degree[] => degrees.split(' ') as Degree[]

/** The scale that starts on another step: each tone keeps its letter, so its degree is told by counting letters. */
function modeOf(degrees: readonly Degree[], step: number): readonly Degree[] {
  const tonic = degreeSemitones(requireAt(degrees, step))
  return degrees.map((_, index) => {
    const tone = degreeSemitones(requireAt(degrees, (step + index) % degrees.length))
    const above = (tone - tonic + 12) % 12
    const alteration = above - (MAJOR_SEMITONES[index] as number)
    const sign = alteration < 0 ? 'b'.repeat(-alteration) : '#'.repeat(alteration)
    return (index === 0 ? 'R' : `${sign}${index + 1}`) as Degree
  })
}

/** Every scale that the program knows: 28 modes, three symmetrical ones, two pentatonics, the blues scale. */
export const SCALES: readonly Scale[] = [
  ...Object.entries(PARENTS).flatMap(([family, { degrees, modes }]) =>
    modes.split(', ').map((name, step) => scale(name, family as ScaleFamily, step + 1, modeOf(list(degrees), step))),
  ),
  ...OTHERS.map(([name, family, degrees]) => scale(name, family, 1, list(degrees))),
]

/** The scale of this name, as it stands in the table. */
export const scaleNamed = (name: string): Scale | undefined => SCALES.find((one) => one.name === name)

/** @throws Error when the table has no such scale: a name in the code is our own. */
export function requireScale(name: string): Scale {
  const found = scaleNamed(name)
  if (!found) throw new Error(`there is no scale called ${name}`)
  return found
}
