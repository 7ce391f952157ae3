/** Keys: a tonic and a scale, as seven spelled notes. */
import { type Degree, type NamingSystem, type NoteName, readNotes, spellDegree } from '../pitch/index.ts'
import { fail, ok, type Result, type TextError } from '../result/index.ts'

export type KeyScale = 'major' | 'minor'

export interface Key {
  readonly tonic: NoteName
  readonly scale: KeyScale
  /** From the tonic up. */
  readonly notes: readonly NoteName[]
}

const SCALES: Readonly<Record<KeyScale, readonly Degree[]>> = {
  major: ['R', '2', '3', '4', '5', '6', '7'],
  minor: ['R', '2', 'b3', '4', '5', 'b6', 'b7'],
} as Readonly<Record<KeyScale, readonly Degree[]>>

const EXPECTED = 'a key such as Bb, Bb major, Gm or G minor'

/** Reads `Bb`, `Bb major`, `Gm`, `G minor`. */
export function readKey(text: string, systems: readonly NamingSystem[] = ['letters']): Result<Key, TextError> {
  const refuse = (at: number, piece: string): Result<Key, TextError> =>
    fail({
      code: 'not_a_key',
      at,
      text: piece.slice(0, 12),
      expected: EXPECTED,
      message: `${[...piece].slice(0, 12).join('') || 'nothing'} is not a key; expected ${EXPECTED}`,
    })
  const lead = text.length - text.trimStart().length
  const trimmed = text.trim()
  for (const { name, length } of readNotes(trimmed, systems)) {
    const rest = trimmed.slice(length).trim()
    const scale: KeyScale | undefined = /^(major|maj|dur)?$/i.test(rest)
      ? 'major'
      : /^(m|min|minor|moll)$/i.test(rest)
        ? 'minor'
        : undefined
    if (scale === undefined) continue
    const notes = SCALES[scale].map((degree) => spellDegree(name, degree))
    const spelled = notes.filter((note): note is NoteName => note !== undefined)
    // A key whose notes need three accidentals is not one that anybody plays in.
    if (spelled.length === notes.length) return ok({ tonic: name, scale, notes: spelled })
  }
  return refuse(lead, trimmed)
}
