/** The same shape with other tones: each voice moves to the tone that has its place in another formula. */
import { type Chord, type Formula, respellRoot } from '../chord/index.ts'
import type { Fret, Neck, StringIndex } from '../neck/index.ts'
import { type Degree, degreeSemitones, type Midi, stepOf } from '../pitch/index.ts'
import type { Voicing } from './types.ts'
import { voicingOf } from './voicing.ts'

/** The third's place is taken by a second or fourth, the seventh's by a sixth. */
function placeOf(degree: Degree): number {
  const step = stepOf(degree)
  if (step === 2 || step === 4) return 3
  return step === 6 ? 7 : step
}

/** The tone of a formula that has a degree's place; the degree itself where it is there. */
export const counterpartOf = (degree: Degree, formula: Formula): Degree | undefined =>
  formula.includes(degree) ? degree : formula.find((other) => placeOf(other) === placeOf(degree))

/**
 * Morphs a voicing into another formula over the same root: third to third, fifth to fifth, seventh to seventh, each on
 * its own string by as few frets as it takes.
 * @returns `undefined` when a sounded tone has no counterpart, or a voice would leave the frets that can be pressed.
 */
export function morph(voicing: Voicing, formula: Formula, neck: Neck): Voicing | undefined {
  const frets: (number | null)[] = []
  for (const [string, degree] of voicing.degrees.entries()) {
    const midi = voicing.midis[string]
    if (degree === null || midi === null || midi === undefined) {
      frets.push(null)
      continue
    }
    const to = counterpartOf(degree, formula)
    if (to === undefined) return undefined
    const fret = fretSounding(neck, string, midi + degreeSemitones(to) - degreeSemitones(degree))
    if (fret === undefined) return undefined
    frets.push(fret)
  }
  const root = respellRoot(voicing.chord.root, formula)
  const chord: Chord = { root, formula }
  return voicingOf(chord, frets, neck)
}

/** The fret at which a string sounds a pitch: 0 when it rings so by itself, `undefined` when it can't. */
export function fretSounding(neck: Neck, string: StringIndex, midi: Midi): Fret | undefined {
  if (midi === neck.open[string]) return 0
  const fret = midi - (neck.nut[string] as number)
  return fret >= (neck.firstFret[string] as number) && fret <= neck.lastFret ? fret : undefined
}
