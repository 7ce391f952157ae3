/** Letters carry the spelling: a fifth above some kind of C is some kind of G. */
export type Letter = 'C' | 'D' | 'E' | 'F' | 'G' | 'A' | 'B'

/** Written in ASCII inside the program and over HTTP; signs (♭ ♯) are for the screen. */
export type Accidental = 'bb' | 'b' | '' | '#' | '##'

/** A spelled note without an octave: `Eb`, `F##`. */
export type NoteName = `${Letter}${Accidental}`

/** A note's place on the circle of twelve: 0 = C … 11 = B. Only for matching; it has lost the spelling. */
export type PitchClass = number

/**
 * A number that says what it counts. Numbers of two kinds can't be confused: a `StringNumber` is no `StringIndex`. A plain
 * number fits every kind, so that arithmetic stays plain; what leaves a function says again what it is.
 */
export type Counting<Kind extends string> = number & { readonly counting?: Kind }

/** A key of the keyboard: 60 = C4, one per semitone, 0–127. */
export type Midi = Counting<'midi'>

/** Pitch classes as bits: bit n is the class n. Seen from a root, bit n is n semitones above it. */
export type PitchClassSet = Counting<'pitch classes'>

/** A spelled note in an octave: C4 is the middle C; the octave belongs to the letter, so `B#3` sounds as C4. */
export interface Pitch {
  readonly name: NoteName
  readonly octave: number
}

/** A number against the major scale of the root, with accidentals. The first degree is written `R`. */
export type Degree = 'R' | `${Accidental}${2 | 3 | 4 | 5 | 6 | 7 | 9 | 11 | 13}`

/** How notes are written: letters (C D E … B), fixed-do syllables (do ré mi …), German letters (H, B, Fis, Es). */
export type NamingSystem = 'letters' | 'syllables' | 'german'
