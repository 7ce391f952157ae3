/** Chords in between: what leads from one chord to the next, and why. */
import type { Chord, Formula } from '../chord/index.ts'
import { type Degree, type NoteName, pitchClassOf, spellDegree } from '../pitch/index.ts'

/**
 *   leading    the diminished seventh a semitone below: it rises by its leading tone
 *   dominant   the fifth above, as a seventh chord
 *   tritone    the dominant's partner a semitone above, with the same third and seventh
 *   two        the second step of the next chord's key; with the dominant after it, a ii–V
 */
export type BetweenReason = 'leading' | 'dominant' | 'tritone' | 'two'

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

/** What may stand before a chord; chords that need three accidentals are left out, and the chord that one comes from. */
export function betweenChords(from: Chord, to: Chord): readonly Between[] {
  return WAYS.flatMap(({ reason, degree, formula }): readonly Between[] => {
    const root: NoteName | undefined = spellDegree(to.root, degree)
    if (root === undefined) return []
    const chord: Chord = { root, formula: reason === 'two' && to.formula.includes('b3') ? HALF_DIMINISHED : formula }
    const isFrom = pitchClassOf(root) === pitchClassOf(from.root) && chord.formula.join() === from.formula.join()
    return isFrom ? [] : [{ chord, reason }]
  })
}
