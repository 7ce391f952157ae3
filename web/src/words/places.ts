/** What a screen reader says of a place on the neck: "string 4, fret 5, the third, G". */
import type { Chord } from '@nestling/core/chord'
import { type Neck, soundingMidi } from '@nestling/core/neck'
import {
  degreePitchClass,
  type NamingSystem,
  pitchClassOf,
  plainName,
  spellDegree,
  writeNote,
} from '@nestling/core/pitch'
import { degreeName } from './degrees.ts'

/** Words for every place, by the pitch class that it sounds: worked out once for a chord, not once a place. */
export function placeWords(neck: Neck, chord: Chord, naming: NamingSystem): (string: number, fret: number) => string {
  const root = pitchClassOf(chord.root)
  const strings = neck.open.length
  const sounds = Array.from({ length: 12 }, (_, pitchClass) => {
    const degree = chord.formula.find((one) => (root + degreePitchClass(one)) % 12 === pitchClass)
    if (degree === undefined) return writeNote(plainName(pitchClass), naming)
    return `the ${degreeName(degree)}, ${writeNote(spellDegree(chord.root, degree) ?? plainName(pitchClass), naming)}`
  })
  return (string, fret) =>
    `string ${strings - string}, ${fret === 0 ? 'open' : `fret ${fret}`}, ${sounds[soundingMidi(neck, string, fret) % 12]}`
}
