/** Cycles: in which order a run goes through the roots. */
import { type Degree, type NoteName, pitchClassOf, plainName, spellDegree } from '../pitch/index.ts'
import { chanceOf, shuffled } from './chance.ts'

export const CYCLES = [
  'fourths',
  'fifths',
  'semitones',
  'whole-tones',
  'minor-thirds',
  'major-thirds',
  'shuffle',
  'stay',
] as const
export type Cycle = (typeof CYCLES)[number]

/** Upwards, in semitones; `stay` plays the first root only. A cycle that closes before twelve roots may be gone through again a semitone lower. */
const STEP: Readonly<Record<Exclude<Cycle, 'shuffle'>, number>> = {
  fourths: 5,
  fifths: 7,
  semitones: 1,
  'whole-tones': 2,
  'minor-thirds': 3,
  'major-thirds': 4,
  stay: 0,
}

export interface CycleAsk {
  readonly cycle: Cycle
  readonly from: NoteName
  /** The other way round. */
  readonly down?: boolean | undefined
  /** Closed, it begins again a semitone lower, until every root has been played. */
  readonly all?: boolean | undefined
  /** Chance comes from outside: each number, 0 to below 1, is drawn once. Only a shuffle draws. */
  readonly random?: (() => number) | undefined
}

/** Roots as pitch classes, each once; the first is `from`. */
export function cycleOf({ cycle, from, down = false, all = false, random = chanceOf(1) }: CycleAsk): readonly number[] {
  const first = pitchClassOf(from)
  if (cycle === 'shuffle') return shuffledRoots(first, random)
  const step = down ? 12 - STEP[cycle] : STEP[cycle]
  const roots: number[] = []
  for (let start = first; !roots.includes(start); start = (start + 11) % 12) {
    for (let root = start; !roots.includes(root); root = (root + step) % 12) roots.push(root)
    if (!all) break
  }
  return roots
}

/** Every root once, the first of them kept. */
const shuffledRoots = (first: number, random: () => number): readonly number[] => [
  first,
  ...shuffled(
    Array.from({ length: 11 }, (_, by) => (first + by + 1) % 12),
    random,
  ),
]

export interface SpelledRoot {
  readonly root: NoteName
  /** The other name of a black key; `undefined` where it has none, or its chord can't be spelled. */
  readonly twin: NoteName | undefined
}

const SHARPS: readonly (NoteName | undefined)[] = [
  undefined,
  'C#',
  undefined,
  'D#',
  undefined,
  undefined,
  'F#',
  undefined,
  'G#',
  undefined,
  'A#',
  undefined,
]
const FLATS: readonly (NoteName | undefined)[] = [
  undefined,
  'Db',
  undefined,
  'Eb',
  undefined,
  undefined,
  'Gb',
  undefined,
  'Ab',
  undefined,
  'Bb',
  undefined,
]

/** A black key is called flat, as players go through fourths, unless its chord then needs a double flat and as a sharp none. */
export function spelledFor(pitchClass: number, formula: readonly Degree[]): SpelledRoot {
  const [flat, sharp] = [FLATS[pitchClass], SHARPS[pitchClass]]
  if (!flat || !sharp) return { root: plainName(pitchClass), twin: undefined }
  return worst(flat, formula) > 1 && worst(sharp, formula) <= 1
    ? { root: sharp, twin: flat }
    : { root: flat, twin: worst(sharp, formula) === Number.POSITIVE_INFINITY ? undefined : sharp }
}

/** The most accidentals on one tone. */
const worst = (root: NoteName, formula: readonly Degree[]): number =>
  Math.max(...formula.map((degree) => (spellDegree(root, degree)?.length ?? Number.POSITIVE_INFINITY) - 1))
