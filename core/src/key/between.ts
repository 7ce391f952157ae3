/** Chords in between: what leads from one chord to the next, and why. */
import type { Chord, Formula } from '../chord/index.ts'
import {
  alterationOf,
  type Degree,
  degreeBetween,
  letterIndexOf,
  type NoteName,
  noteNameOf,
  pitchClassOf,
  plainName,
  spellDegree,
  stepOf,
} from '../pitch/index.ts'
import { chordScale, type Depth } from './chordScale.ts'
import type { Key } from './key.ts'

/**
 *   leading    the diminished seventh a semitone below: it rises by its leading tone
 *   dominant   the fifth above, as a seventh chord
 *   tritone    the dominant's partner a semitone above, with the same third and seventh
 *   two        the second step of the next chord's key; with the dominant after it, a ii–V
 *   raised     a dominant with its root raised: the diminished seventh a semitone above it
 *   chromatic  between roots a whole tone apart, on the semitone that they leap over: diminished, or half diminished
 *   sus        the next chord's dominant, or the next chord if it is one, with its third held back
 *   step       between roots a third apart in the key, the key's own chord on the step that they leap over
 */
export const BETWEEN_REASONS = ['leading', 'dominant', 'tritone', 'two', 'raised', 'chromatic', 'sus', 'step'] as const
export type BetweenReason = (typeof BETWEEN_REASONS)[number]

export interface Between {
  readonly chord: Chord
  readonly reason: BetweenReason
}

const WAYS: readonly { readonly reason: BetweenReason; readonly degree: Degree; readonly formula: Formula }[] = [
  { reason: 'leading', degree: '7', formula: ['R', 'b3', 'b5', 'bb7'] },
  { reason: 'dominant', degree: '5', formula: ['R', '3', '5', 'b7'] },
  { reason: 'tritone', degree: 'b9', formula: ['R', '3', '5', 'b7'] },
  { reason: 'two', degree: '9', formula: ['R', 'b3', '5', 'b7'] },
]
/** Into a chord with a minor third the second step is half diminished. */
const HALF_DIMINISHED: Formula = ['R', 'b3', 'b5', 'b7']

/** A chord in passing is written as players read it: D7, not E𝄫7. */
const readable = (root: NoteName | undefined): NoteName | undefined =>
  root !== undefined && Math.abs(alterationOf(root)) > 1 ? plainName(pitchClassOf(root)) : root

/** What may stand before a chord; chords that need three accidentals are left out, and the chord that one comes from. */
export function betweenChords(from: Chord, to: Chord): readonly Between[] {
  return WAYS.flatMap(({ reason, degree, formula }): readonly Between[] => {
    const root = readable(spellDegree(to.root, degree))
    if (root === undefined) return []
    const chord: Chord = { root, formula: reason === 'two' && to.formula.includes('b3') ? HALF_DIMINISHED : formula }
    const isFrom = pitchClassOf(root) === pitchClassOf(from.root) && chord.formula.join() === from.formula.join()
    return isFrom ? [] : [{ chord, reason }]
  })
}

const DIMINISHED: Formula = ['R', 'b3', 'b5', 'bb7']
const SUSPENDED: Formula = ['R', '4', '5', 'b7']
const isDominant = ({ formula }: Chord): boolean => formula.includes('3') && formula.includes('b7')

/** All that may stand between two chords; with a key, its own steps too. Each chord once, under its first reason. */
export function waysBetween(from: Chord, to: Chord, key?: Key, depth: Depth = 'sevenths'): readonly Between[] {
  const all = [
    ...betweenChords(from, to),
    ...raised(from),
    ...chromatic(from, to),
    ...suspended(to),
    ...diatonic(from, to, key, depth),
  ]
  const sound = ({ root, formula }: Chord) => `${pitchClassOf(root)} ${formula.join()}`
  const seen = new Set([sound(from), sound(to)])
  return all.filter(({ chord }) => {
    const isNew = !seen.has(sound(chord))
    seen.add(sound(chord))
    return isNew
  })
}

function at(root: NoteName, degree: Degree, formula: Formula, reason: BetweenReason): readonly Between[] {
  const spelled = readable(spellDegree(root, degree))
  return spelled === undefined ? [] : [{ chord: { root: spelled, formula }, reason }]
}

function raised(from: Chord): readonly Between[] {
  const root = readable(noteNameOf(letterIndexOf(from.root), alterationOf(from.root) + 1))
  return isDominant(from) && root !== undefined ? [{ chord: { root, formula: DIMINISHED }, reason: 'raised' }] : []
}

function chromatic(from: Chord, to: Chord): readonly Between[] {
  const up = (pitchClassOf(to.root) - pitchClassOf(from.root) + 12) % 12
  if (up !== 2 && up !== 10) return []
  // Rising it is spelled towards the upper root, falling towards the lower.
  const found = up === 2 ? at(to.root, '7', DIMINISHED, 'chromatic') : at(to.root, 'b9', DIMINISHED, 'chromatic')
  return found.flatMap((one): readonly Between[] => [
    one,
    { ...one, chord: { ...one.chord, formula: HALF_DIMINISHED } },
  ])
}

const suspended = (to: Chord): readonly Between[] =>
  isDominant(to)
    ? [{ chord: { root: to.root, formula: SUSPENDED }, reason: 'sus' }]
    : at(to.root, '5', SUSPENDED, 'sus')

function diatonic(from: Chord, to: Chord, key: Key | undefined, depth: Depth): readonly Between[] {
  if (!key) return []
  const degree = degreeBetween(from.root, to.root)
  const step = degree === undefined ? 0 : stepOf(degree)
  const steps = chordScale(key, depth)
  const index = steps.findIndex(({ chord }) => chord.root === from.root)
  if (index < 0 || (step !== 3 && step !== 6)) return []
  const between = steps[(index + (step === 3 ? 1 : 6)) % 7]
  return between ? [{ chord: between.chord, reason: 'step' }] : []
}
