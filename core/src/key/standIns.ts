/** What may stand in for a step's chord: windows on the same stack of thirds, each with what stays, comes and goes. */

import { type Chord, formulaKey } from '../chord/index.ts'
import { type Degree, degreePitchClass, type NoteName, pitchClassOf, spellDegree } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import { chordScale, DEPTHS, type Depth } from './chordScale.ts'
import type { Key } from './key.ts'

/**
 *   longer, shorter   a third more or less
 *   up, down          the window moved by a third: all tones but one stay
 *   same              the very same tones from another root
 */
export const STAND_IN_KINDS = ['longer', 'shorter', 'up', 'down', 'same'] as const
export type StandInKind = (typeof STAND_IN_KINDS)[number]

export interface StandIn {
  readonly kind: StandInKind
  readonly chord: Chord
  readonly stays: readonly NoteName[]
  readonly comes: readonly NoteName[]
  readonly goes: readonly NoteName[]
}

const notesIn = ({ root, formula }: Chord): readonly NoteName[] =>
  formula.flatMap((degree) => spellDegree(root, degree) ?? [])

/** The stack of thirds around a step, from a third below its root: seven letters, each once. */
export const stackAround = ({ notes }: Key, step: number): readonly NoteName[] =>
  Array.from({ length: 7 }, (_, index) => requireAt(notes, (step - 1 + 5 + 2 * index) % 7))

/** @param step 1 to 7. */
export function standIns(key: Key, step: number, depth: Depth): readonly StandIn[] {
  const steps = chordScale(key, depth)
  const at = DEPTHS.indexOf(depth)
  const chordAt = (index: number, of: Depth) => chordScale(key, of)[(index + 7) % 7]?.chord
  const own = steps[step - 1]?.chord
  if (!own) throw new RangeError(`a key has no step ${step}`)
  const longer = DEPTHS[at + 1]
  const shorter = DEPTHS[at - 1]
  const sixth = sixthOf(own)
  const found: readonly (readonly [StandInKind, Chord | undefined])[] = [
    ['longer', longer && chordAt(step - 1, longer)],
    ['up', chordAt(step + 1, depth)],
    ['down', chordAt(step - 3, depth)],
    ['same', sixth],
    ['shorter', shorter && chordAt(step - 1, shorter)],
  ]
  const seen = new Set([`${own.root} ${formulaKey(own.formula)}`])
  return found.flatMap(([kind, chord]): readonly StandIn[] => {
    if (!chord) return []
    const name = `${chord.root} ${formulaKey(chord.formula)}`
    if (seen.has(name)) return []
    seen.add(name)
    return [{ kind, chord, ...change(own, chord) }]
  })
}

/** A minor seventh or half diminished chord is a sixth chord on its third: Cm7 is E♭6, Bm7♭5 is Dm6. */
function sixthOf({ root, formula }: Chord): Chord | undefined {
  if (!formula.includes('b3') || !formula.includes('b7') || formula.length !== 4) return undefined
  const third = spellDegree(root, 'b3')
  if (third === undefined) return undefined
  return { root: third, formula: formula.includes('b5') ? ['R', 'b3', '5', '6'] : ['R', '3', '5', '6'] }
}

/** By sound: what both have, what the second adds, what it leaves. */
export function change(
  from: Chord,
  to: Chord,
): { readonly stays: readonly NoteName[]; readonly comes: readonly NoteName[]; readonly goes: readonly NoteName[] } {
  const [before, after] = [notesIn(from), notesIn(to)]
  const has = (list: readonly NoteName[], note: NoteName) =>
    list.some((one) => pitchClassOf(one) === pitchClassOf(note))
  return {
    stays: before.filter((note) => has(after, note)),
    comes: after.filter((note) => !has(before, note)),
    goes: before.filter((note) => !has(after, note)),
  }
}

/** Where a tone of one chord goes in the next. */
export interface ToneMove {
  readonly from: Degree
  readonly to: Degree
  /** Semitones, up above 0; 0 where it stays. */
  readonly by: number
}

/** The least way from each tone of one chord to a tone of the next, all tones of the smaller one used. */
export function leastMoves(from: Chord, to: Chord): readonly ToneMove[] {
  const wayBy = (a: Degree, b: Degree) => {
    const up = (pitchClassOf(to.root) + degreePitchClass(b) - pitchClassOf(from.root) - degreePitchClass(a) + 24) % 12
    return up > 6 ? up - 12 : up
  }
  let best: readonly ToneMove[] = []
  let least = Number.POSITIVE_INFINITY
  const tryAll = (index: number, left: readonly Degree[], moves: readonly ToneMove[], sum: number) => {
    if (sum >= least) return
    const a = from.formula[index]
    if (a === undefined) {
      least = sum
      best = moves
      return
    }
    // More tones here than there: two may go to the same one.
    const targets = left.length > 0 ? left : to.formula
    for (const b of targets) {
      const by = wayBy(a, b)
      const rest = left.filter((one) => one !== b)
      tryAll(index + 1, rest, [...moves, { from: a, to: b, by }], sum + Math.abs(by))
    }
  }
  tryAll(0, to.formula, [], 0)
  return best
}
