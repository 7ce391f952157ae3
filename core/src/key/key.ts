/** Keys: a tonic and one of the seven-note scales, as seven spelled notes. */
import {
  type NamingSystem,
  type NoteName,
  readNotes,
  spellDegree,
  spokenIn,
  withSigns,
  writeNote,
} from '../pitch/index.ts'
import { fail, ok, piece, type Result, type TextErrorOf } from '../result/index.ts'
import { requireScale, SCALES, type Scale } from './scale.ts'

export interface Key {
  readonly tonic: NoteName
  readonly scale: Scale
  /** From the tonic up. */
  readonly notes: readonly NoteName[]
}

export type KeyError = TextErrorOf<{
  not_a_key: object
  /** A tonic whose scale needs three accidentals: nobody plays in it. */
  key_unspellable: { tonic: NoteName }
}>

const KEY_SCALES = SCALES.filter(({ degrees }) => degrees.length === 7)
export const MAJOR = requireScale('major (Ionian)')
export const NATURAL_MINOR = requireScale('natural minor (Aeolian)')

const letters = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .replaceAll('𝄫', 'bb')
    .replace(/[^a-z0-9#]/g, '')

/** What players write after a tonic, letters only, and the scale it means; names of the table first. */
const READ: ReadonlyMap<string, Scale> = new Map([
  ...[MAJOR, NATURAL_MINOR].flatMap((scale) =>
    (scale === MAJOR
      ? ['', 'major', 'maj', 'dur', 'ionian', 'majeur']
      : ['m', 'min', 'minor', 'moll', 'aeolian', 'naturalminor', 'mineur']
    ).map((written) => [written, scale] as const),
  ),
  ...KEY_SCALES.map((scale) => [letters(scale.name), scale] as const),
])

/** Reads `Bb`, `Bb major`, `Gm`, `G minor`, `F# Dorian`, `C harmonic minor`. `M` alone is major, `m` minor. */
export function readKey(text: string, systems: readonly NamingSystem[] = ['letters']): Result<Key, KeyError> {
  const at = text.length - text.trimStart().length
  const trimmed = text.trim()
  let unspellable: NoteName | undefined
  for (const { name, length } of readNotes(trimmed, spokenIn(trimmed, systems))) {
    const rest = trimmed.slice(length).trim()
    const scale = rest === 'M' ? MAJOR : READ.get(letters(rest))
    if (scale === undefined) continue
    const key = keyOf(name, scale)
    if (key) return ok(key)
    unspellable ??= name
  }
  if (unspellable !== undefined) return fail({ code: 'key_unspellable', at, text: piece(trimmed), tonic: unspellable })
  return fail({ code: 'not_a_key', at, text: piece(trimmed) })
}

/** `undefined` where a note would need three accidentals. */
export function keyOf(tonic: NoteName, scale: Scale): Key | undefined {
  const notes = scale.degrees.map((degree) => spellDegree(tonic, degree))
  const spelled = notes.filter((note): note is NoteName => note !== undefined)
  return spelled.length === notes.length ? { tonic, scale, notes: spelled } : undefined
}

/** Writes a key so that it is read back: `Bb major`, `G minor`, `F# Dorian`; with signs for the screen. */
export function writeKey({ tonic, scale }: Key, style: { naming?: NamingSystem; ascii?: boolean } = {}): string {
  const { naming = 'letters', ascii = false } = style
  // By name: a key that a worker or a page before sent is a copy.
  const name = scale.name === MAJOR.name ? 'major' : scale.name === NATURAL_MINOR.name ? 'minor' : scale.name
  const scaleName = ascii ? name : name.split(' ').map(withSigns).join(' ')
  return `${ascii ? tonic : writeNote(tonic, naming)} ${scaleName}`
}
