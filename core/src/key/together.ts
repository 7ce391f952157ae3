/** Keys together: by fourths, and which keys share chords. */
import { type Chord, formulaKey } from '../chord/index.ts'
import { NOTE_NAMES, type NoteName, pitchClassOf } from '../pitch/index.ts'
import { chordScale, type Depth } from './chordScale.ts'
import { type Key, keyOf } from './key.ts'
import type { Scale } from './scale.ts'

const accidentals = (notes: readonly NoteName[]): number => notes.reduce((sum, note) => sum + note.length - 1, 0)

/** The key of a sounding tonic with the fewest accidentals, flats where two have as many. */
export function plainestKey(pitchClass: number, scale: Scale): Key {
  const keys = NOTE_NAMES.filter((note) => pitchClassOf(note) === pitchClass)
    .flatMap((note) => keyOf(note, scale) ?? [])
    .toSorted(
      (a, b) =>
        accidentals(a.notes) - accidentals(b.notes) || Number(a.tonic.includes('#')) - Number(b.tonic.includes('#')),
    )
  const [key] = keys
  if (!key) throw new Error(`no spelled tonic of ${scale.name} sounds as ${pitchClass}`)
  return key
}

/** Twelve keys of one scale by fourths, the given one in its place: G C F B♭ … */
export function keysByFourths({ tonic, scale }: Key, before = 3): readonly Key[] {
  const own = pitchClassOf(tonic)
  return Array.from({ length: 12 }, (_, index) => {
    const pitchClass = (own + 5 * (index - before) + 120) % 12
    const same = pitchClass === own ? keyOf(tonic, scale) : undefined
    return same ?? plainestKey(pitchClass, scale)
  })
}

/** Chords that both keys have, spelled by the first. */
export function sharedChords(a: Key, b: Key, depth: Depth): readonly Chord[] {
  const sound = ({ root, formula }: Chord) => `${pitchClassOf(root)} ${formulaKey(formula)}`
  const there = new Set(chordScale(b, depth).map(({ chord }) => sound(chord)))
  return chordScale(a, depth).flatMap(({ chord }) => (there.has(sound(chord)) ? [chord] : []))
}
