import type { Accidental, Letter, Midi, NoteName, Pitch, PitchClass } from './types.ts'

export const LETTERS: readonly Letter[] = ['C', 'D', 'E', 'F', 'G', 'A', 'B']
/** Semitones of each letter above C: the major scale. */
export const LETTER_SEMITONES: readonly number[] = [0, 2, 4, 5, 7, 9, 11]
const ACCIDENTALS: readonly Accidental[] = ['bb', 'b', '', '#', '##']

export const NOTE_NAMES: readonly NoteName[] = LETTERS.flatMap((letter) =>
  ACCIDENTALS.map((accidental) => `${letter}${accidental}` as const),
)

export const letterOf = (name: NoteName): Letter => name[0] as Letter

/** Semitones that the accidental adds: −2 … 2. */
export function alterationOf(name: NoteName): number {
  const sign = name.slice(1)
  return sign.startsWith('b') ? -sign.length : sign.length
}

/** The name with this letter (0 = C … 6 = B) and alteration, or `undefined` beyond double accidentals. */
export function noteNameOf(letterIndex: number, alteration: number): NoteName | undefined {
  const accidental = ACCIDENTALS[alteration + 2]
  if (accidental === undefined) return undefined
  return `${LETTERS[((letterIndex % 7) + 7) % 7] as Letter}${accidental}`
}

export const letterIndexOf = (name: NoteName): number => LETTERS.indexOf(letterOf(name))

const PITCH_CLASSES: ReadonlyMap<string, PitchClass> = new Map(
  NOTE_NAMES.map((name) => [name, ((LETTER_SEMITONES[letterIndexOf(name)] as number) + alterationOf(name) + 12) % 12]),
)

export const pitchClassOf = (name: NoteName): PitchClass => PITCH_CLASSES.get(name) as PitchClass

/** MIDI number of a spelled pitch. `Cb4` is 59 and `B#3` is 60: the octave follows the letter. */
export function midiOf(pitch: Pitch): Midi {
  const letter = LETTER_SEMITONES[letterIndexOf(pitch.name)] as number
  return 12 * (pitch.octave + 1) + letter + alterationOf(pitch.name)
}

/** The pitch with this name that sounds as this MIDI number. Throws when the name has another pitch class. */
export function pitchAt(name: NoteName, midi: Midi): Pitch {
  if (pitchClassOf(name) !== midi % 12) throw new RangeError(`${name} does not sound as ${midi}`)
  const letter = LETTER_SEMITONES[letterIndexOf(name)] as number
  return { name, octave: (midi - letter - alterationOf(name)) / 12 - 1 }
}

/** All spellings of a pitch class with at most two accidentals, plainest first; of equals, the flat one first. */
export function spellingsOf(pitchClass: PitchClass): readonly NoteName[] {
  return NOTE_NAMES.filter((name) => pitchClassOf(name) === pitchClass).sort(
    (a, b) => Math.abs(alterationOf(a)) - Math.abs(alterationOf(b)) || alterationOf(a) - alterationOf(b),
  )
}

/** The plainest spelling: no accidental where there is one, otherwise one flat or one sharp as asked. */
export function plainName(pitchClass: PitchClass, prefer: 'flat' | 'sharp' = 'flat'): NoteName {
  const names = spellingsOf(((pitchClass % 12) + 12) % 12)
  const first = names[0] as NoteName
  if (alterationOf(first) === 0 || prefer === 'flat') return first
  return names[1] as NoteName
}
