/** The key that an open tuning is made for: that of the chord its strings ring as. */
import { familyOf } from '../chord/index.ts'
import { type Key, keyOf, MAJOR, NATURAL_MINOR } from '../key/index.ts'
import { namesOf } from '../name/index.ts'
import type { Neck } from '../neck/index.ts'

/** Strings tuned in fourths ring as no chord that anybody plays in; a tuning for one key has few different tones. */
const MOST_TONES = 4

/** @returns `undefined` where the open strings are of no one chord. */
export function tuningKey(neck: Neck): Key | undefined {
  if (new Set(neck.open.map((midi) => midi % 12)).size > MOST_TONES) return undefined
  const [name] = namesOf(
    neck.open.map(() => 0),
    neck,
  )
  if (!name) return undefined
  const { root, formula } = name.chord
  const isMinor = ['minor', 'half-diminished', 'diminished'].includes(familyOf(formula))
  return keyOf(root, isMinor ? NATURAL_MINOR : MAJOR)
}
