/** The question that a shape made by hand answers, so that the list around it stays about what is under the hand. */
import { omittableDegrees } from '../chord/index.ts'
import type { Degree, Midi } from '../pitch/index.ts'
import { answersTo, soundingStrings, type Voicing } from '../voicing/index.ts'
import type { Question } from './types.ts'

/**
 * A question for `voicing`: its chord, the strings that sound if strings were named before, and of the other wishes those
 * that it still fulfils.
 */
export function questionAround(voicing: Voicing, before: Question): Question {
  const { chord, frets, degrees } = voicing
  const sounding = soundingStrings(frets)
  const midis = voicing.midis.filter((midi): midi is Midi => midi !== null).sort((a, b) => a - b)
  const stack = voicing.arrangement.degrees
  const missing = chord.formula.filter((degree) => !degrees.includes(degree))
  const omittable = omittableDegrees(chord.formula)
  // A tone that no school would leave out must be named, or the shape is not among the answers.
  const told = missing.some((degree) => !omittable.includes(degree) || degree === 'R') ? missing : undefined
  return {
    ...before,
    chord,
    strings: before.strings === undefined ? undefined : sounding,
    arrangement: answersTo(before.arrangement, midis, stack, chord.formula) ? before.arrangement : { kind: 'any' },
    bass: before.bass === undefined ? undefined : chordTone(stack[0], chord.formula),
    top: before.top === undefined ? undefined : chordTone(stack.at(-1), chord.formula),
    omit: told,
    doubling: new Set(stack).size < stack.length ? true : before.doubling,
    open: before.open === 'never' && frets.includes(0) ? 'allow' : before.open,
  }
}

const chordTone = (degree: Degree | undefined, formula: readonly Degree[]): Degree | undefined =>
  degree !== undefined && formula.includes(degree) ? degree : undefined
