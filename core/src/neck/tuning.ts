/** Tunings: read, written, checked, and the ones that players use. */
import { midiOf, type NamingSystem, type Pitch, readPitch, writePitch } from '../pitch/index.ts'
import { fail, must, ok, piece, type Result } from '../result/index.ts'
import type { TuningError } from './errors.ts'
import type { Tuning } from './types.ts'

export const FEWEST_STRINGS = 4
export const MOST_STRINGS = 10
/** A0 and C6: below and above, no fretted string is made. */
const LOWEST_OPEN = 21
const HIGHEST_OPEN = 84
const MOST_TEXT = 120

/**
 * Reads `E2,A2,D3,G3,B3,E4`, lowest string first, with commas or spaces between. Each string needs its octave.
 */
export function readTuning(
  text: string,
  options: { readonly name?: string; readonly systems?: readonly NamingSystem[] } = {},
): Result<Tuning, TuningError> {
  if (text.length > MOST_TEXT) return fail({ code: 'tuning_too_long', at: MOST_TEXT, text: piece(text, 16) })
  const strings: Pitch[] = []
  for (const word of text.matchAll(/[^\s,]+/gu)) {
    const pitch = readPitch(word[0], options.systems)
    const place = { at: word.index, text: piece(word[0], 16) }
    if (pitch === undefined) return fail({ code: 'not_a_pitch', ...place })
    const midi = midiOf(pitch)
    if (midi < LOWEST_OPEN || midi > HIGHEST_OPEN) return fail({ code: 'open_out_of_range', ...place })
    const before = strings.at(-1)
    if (before && midi < midiOf(before)) return fail({ code: 'strings_fall', ...place })
    strings.push(pitch)
  }
  if (strings.length < FEWEST_STRINGS || strings.length > MOST_STRINGS)
    return fail({ code: 'string_count', at: 0, text: piece(text, 16), count: strings.length })
  return ok({ name: options.name ?? strings.map((pitch) => pitch.name).join(' '), strings })
}

export const writeTuning = (tuning: Tuning): string =>
  tuning.strings.map((pitch) => `${pitch.name}${pitch.octave}`).join(',')

/** The open strings with signs, `D A D F♯ A D`. */
export const tuningLetters = (tuning: Tuning, system?: NamingSystem): string =>
  tuning.strings.map((pitch) => writePitch(pitch, system).replace(/-?\d$/, '')).join(' ')

const tuning = (name: string, strings: string): Tuning => must(readTuning(strings, { name }))

export const STANDARD_TUNING = tuning('standard', 'E2,A2,D3,G3,B3,E4')

/** Common tunings by their plain note names, four to ten strings. */
export const COMMON_TUNINGS: readonly Tuning[] = [
  STANDARD_TUNING,
  tuning('D A D G B E', 'D2,A2,D3,G3,B3,E4'),
  tuning('E♭ standard', 'Eb2,Ab2,Db3,Gb3,Bb3,Eb4'),
  tuning('D standard', 'D2,G2,C3,F3,A3,D4'),
  tuning('D A D G A D', 'D2,A2,D3,G3,A3,D4'),
  tuning('D A D F♯ A D', 'D2,A2,D3,F#3,A3,D4'),
  tuning('D A D F A D', 'D2,A2,D3,F3,A3,D4'),
  tuning('D G D G B D', 'D2,G2,D3,G3,B3,D4'),
  tuning('D G D G B♭ D', 'D2,G2,D3,G3,Bb3,D4'),
  tuning('C G C G C E', 'C2,G2,C3,G3,C4,E4'),
  tuning('C G D G B D', 'C2,G2,D3,G3,B3,D4'),
  tuning('E A C♯ E A E', 'E2,A2,C#3,E3,A3,E4'),
  tuning('E B E G♯ B E', 'E2,B2,E3,G#3,B3,E4'),
  tuning('all fourths', 'E2,A2,D3,G3,C4,F4'),
  tuning('all fifths', 'C2,G2,D3,A3,E4,B4'),
  tuning('baritone B–B', 'B1,E2,A2,D3,F#3,B3'),
  tuning('four strings, D G B E', 'D3,G3,B3,E4'),
  tuning('four strings, E A D G', 'E1,A1,D2,G2'),
  tuning('five strings, B E A D G', 'B0,E1,A1,D2,G2'),
  tuning('seven strings, low B', 'B1,E2,A2,D3,G3,B3,E4'),
  tuning('seven strings, low A', 'A1,E2,A2,D3,G3,B3,E4'),
  tuning('eight strings, low F♯', 'F#1,B1,E2,A2,D3,G3,B3,E4'),
  tuning('nine strings, low C♯', 'C#1,F#1,B1,E2,A2,D3,G3,B3,E4'),
  tuning('ten strings, low C to A', 'C2,D2,E2,F2,G2,A2,D3,G3,B3,E4'),
]

/** What players say for tunings that are listed by their notes. */
const SPOKEN: Readonly<Record<string, string>> = {
  'open D': 'D A D F♯ A D',
  'open D minor': 'D A D F A D',
  'open G': 'D G D G B D',
  'open G minor': 'D G D G B♭ D',
  'open C': 'C G C G C E',
  'open A': 'E A C♯ E A E',
  'open E': 'E B E G♯ B E',
  'drop D': 'D A D G B E',
  'half step down': 'E♭ standard',
  'whole step down': 'D standard',
}

const lettersOnly = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll('♯', '#')
    .replaceAll('♭', 'b')
    .replace(/[^a-z#]/g, '')

/** By their names here, and over these by what players say. */
const BY_LETTERS: ReadonlyMap<string, Tuning> = new Map(
  [
    ...COMMON_TUNINGS.map((one) => [one.name, one] as const),
    ...Object.entries(SPOKEN).map(([said, name]) => [said, COMMON_TUNINGS.find((one) => one.name === name)] as const),
  ].flatMap(([name, one]) => (one ? [[lettersOnly(name), one] as const] : [])),
)
const BY_PITCHES: ReadonlyMap<string, Tuning> = new Map(COMMON_TUNINGS.map((one) => [writeTuning(one), one]))

/** Reads a tuning by the name that it has here (`standard`, `dadgad`, `all fourths`), as players say it (`open G`), or by its pitches. */
export function readKnownTuning(
  text: string,
  options: { readonly systems?: readonly NamingSystem[] } = {},
): Result<Tuning, TuningError> {
  const known = BY_LETTERS.get(lettersOnly(text))
  if (known && !/\d/.test(text)) return ok(known)
  const read = readTuning(text, options)
  return read.ok ? ok(BY_PITCHES.get(writeTuning(read.value)) ?? read.value) : read
}
