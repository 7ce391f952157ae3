/**
 * Note names in and out of the three naming systems.
 *   text ─readNote→ NoteName + how many characters it took ─writeNote→ text
 */

import { requireAt } from '../result/index.ts'
import { letterOf, midiOf } from './noteName.ts'
import { signOf } from './signs.ts'
import type { Letter, NamingSystem, NoteName, Pitch } from './types.ts'

export interface NoteRead {
  readonly name: NoteName
  /** Characters taken from the start of the text. */
  readonly length: number
}

const SYLLABLES: Record<Letter, string> = { C: 'do', D: 'ré', E: 'mi', F: 'fa', G: 'sol', A: 'la', B: 'si' }

/** Longest first, so that `sol` is not read as an unknown `so`. */
const SYLLABLE_READ: readonly (readonly [string, Letter])[] = [
  ['sol', 'G'],
  ['do', 'C'],
  ['ut', 'C'],
  ['ré', 'D'],
  ['re', 'D'],
  ['mi', 'E'],
  ['fa', 'F'],
  ['la', 'A'],
  ['si', 'B'],
]

const ACCIDENTAL_READ: readonly (readonly [string, string])[] = [
  ['bémol', 'b'],
  ['bemol', 'b'],
  ['dièse', '#'],
  ['diese', '#'],
  ['𝄫', 'bb'],
  ['𝄪', '##'],
  ['♭♭', 'bb'],
  ['♯♯', '##'],
  ['##', '##'],
  ['bb', 'bb'],
  ['♭', 'b'],
  ['♯', '#'],
  ['♮', ''],
  ['#', '#'],
  ['x', '##'],
  ['b', 'b'],
]

const germanStem = (letter: Letter): string => (letter === 'B' ? 'H' : letter)

function germanName(name: NoteName): string {
  const letter = letterOf(name)
  switch (name.slice(1)) {
    case '#':
      return `${germanStem(letter)}is`
    case '##':
      return `${germanStem(letter)}isis`
    case 'b':
      if (letter === 'B') return 'B'
      return letter === 'E' || letter === 'A' ? `${letter}s` : `${letter}es`
    case 'bb':
      if (letter === 'A') return 'Asas'
      return letter === 'E' ? 'Eses' : `${germanStem(letter)}eses`
    default:
      return germanStem(letter)
  }
}

const GERMAN_READ: readonly (readonly [string, NoteName])[] = (() => {
  const table: [string, NoteName][] = []
  for (const letter of ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const)
    for (const accidental of ['', '#', '##', 'b', 'bb'] as const) {
      const name: NoteName = `${letter}${accidental}`
      table.push([germanName(name).toLowerCase(), name])
    }
  table.push(['ases', 'Abb'], ['bes', 'Bbb'])
  return table.sort((a, b) => b[0].length - a[0].length)
})()

/** Writes a note name with signs, in the player's system: `Bb` is B♭, si♭ or B. */
export function writeNote(name: NoteName, system: NamingSystem = 'letters'): string {
  switch (system) {
    case 'letters':
      return `${name[0]}${signOf(name.slice(1))}`
    case 'syllables':
      return `${SYLLABLES[letterOf(name)]}${signOf(name.slice(1))}`
    case 'german':
      return germanName(name)
  }
}

/** Writes a pitch with its octave: `E♭4`. */
export const writePitch = (pitch: Pitch, system: NamingSystem = 'letters'): string =>
  `${writeNote(pitch.name, system)}${pitch.octave}`

function readAccidental(text: string): NoteReadAccidental {
  const lower = text.toLowerCase().replace(/^ (?=bémol|bemol|dièse|diese)/, ' ')
  const skip = lower.startsWith(' ') ? 1 : 0
  for (const [written, accidental] of ACCIDENTAL_READ)
    if (lower.startsWith(written, skip) && (skip === 0 || written.length > 3))
      return { accidental, length: written.length + skip }
  return { accidental: '', length: 0 }
}
interface NoteReadAccidental {
  readonly accidental: string
  readonly length: number
}

function readIn(system: NamingSystem, text: string): readonly NoteRead[] {
  const lower = text.toLowerCase()
  if (system === 'german') {
    const german = GERMAN_READ.filter(([written]) => lower.startsWith(written)).map(([written, name]) => ({
      name,
      length: written.length,
    }))
    // Players who say H still type F# now and then.
    const first = text[0]?.toUpperCase() ?? ''
    const sign = readAccidental(text.slice(1))
    if (/^[CDEFGAH]$/.test(first) && sign.length > 0)
      german.push({
        name: `${first === 'H' ? 'B' : (first as Letter)}${sign.accidental}` as NoteName,
        length: 1 + sign.length,
      })
    return german
  }
  const stems: [Letter, number][] = []
  if (system === 'syllables') {
    for (const [written, letter] of SYLLABLE_READ) if (lower.startsWith(written)) stems.push([letter, written.length])
  } else if (/^[A-Ga-g]/.test(text)) stems.push([text[0]?.toUpperCase() as Letter, 1])
  return stems.flatMap(([letter, length]) => {
    const { accidental, length: more } = readAccidental(text.slice(length))
    const plain: NoteRead = { name: letter, length }
    if (more === 0) return [plain]
    const signed: NoteRead = { name: `${letter}${accidental}` as NoteName, length: length + more }
    // `bb` may be one flat before a flattened fifth: Dbb5. The longer reading comes first, the shorter stays possible.
    if (accidental === 'bb' || accidental === '##') {
      const half = text.slice(length, length + 1)
      if (half === 'b' || half === '#') return [signed, { name: `${letter}${half}`, length: length + 1 }]
    }
    return [signed]
  })
}

/**
 * Every way to read a note name at the start of a text, the player's own system first, longer before shorter.
 * `As` is A♭ to a German reader, and A before `sus4` to everybody else; the caller takes the first that leads on.
 */
export function readNotes(text: string, systems: readonly NamingSystem[] = ['letters']): readonly NoteRead[] {
  const seen = new Set<string>()
  return systems
    .flatMap((system) => readIn(system, text))
    .filter((read) => {
      const key = `${read.name}/${read.length}`
      if (seen.has(key)) return false
      seen.add(key)
      return true
    })
}

/** The ways of naming to read a text in: "la mineur" and "H-Dur" say theirs themselves, which then comes first. */
export function spokenIn(text: string, systems: readonly NamingSystem[]): readonly NamingSystem[] {
  const spoken = /(?:maj|min)eur\b/i.test(text) ? 'syllables' : /[\s-](?:dur|moll)\b/i.test(text) ? 'german' : undefined
  return spoken === undefined || systems[0] === spoken ? systems : [spoken, ...systems]
}

/** Reads a whole text as one note name, or `undefined`. */
export function readNote(text: string, systems: readonly NamingSystem[] = ['letters']): NoteName | undefined {
  const trimmed = text.trim()
  return readNotes(trimmed, systems).find((read) => read.length === trimmed.length)?.name
}

/** Reads a pitch with its octave, `F#2` or `B♭-1`; `undefined` when it isn't one or lies outside MIDI 0–127. */
export function readPitch(text: string, systems: readonly NamingSystem[] = ['letters']): Pitch | undefined {
  const found = /^(.*?)(-?\d)$/.exec(text.trim())
  if (!found) return undefined
  const name = readNote(requireAt(found, 1), systems)
  if (name === undefined) return undefined
  const pitch = { name, octave: Number(found[2]) }
  const midi = midiOf(pitch)
  return midi >= 0 && midi <= 127 ? pitch : undefined
}
