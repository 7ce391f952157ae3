/** Words that say how tones are held, the same in every typed line: `drop 2`, `shells`, `no 5`, `rootless`. */

export interface GripWord {
  readonly arrangement?: string
  readonly rootless?: true
  readonly withoutFifth?: true
  /** Words taken. */
  readonly count: number
}

/** @param wordAt The word so many places further on, in small letters; empty behind the last. */
export function gripWord(wordAt: (by: number) => string): GripWord | undefined {
  const [word, next] = [wordAt(0), wordAt(1)]
  if (word === 'drop' && /^\d([&+-]\d)?$/.test(next)) return { arrangement: arrangementOf(`drop${next}`), count: 2 }
  if (/^(close|spread|drop-?\d([&+-]\d)?)$/.test(word)) return { arrangement: arrangementOf(word), count: 1 }
  if (/^shells?$/.test(word) || /^no(5|5th)$/.test(word)) return { withoutFifth: true, count: 1 }
  if (word === 'rootless') return { rootless: true, count: 1 }
  if (!/^(no|without)$/.test(word)) return undefined
  const behind = next === 'the' ? 2 : 1
  if (/^(5|5th|fifths?)$/.test(wordAt(behind))) return { withoutFifth: true, count: behind + 1 }
  return /^(r|1|roots?)$/.test(wordAt(behind)) ? { rootless: true, count: behind + 1 } : undefined
}

/** As addresses have it: `drop-2-4`. */
const arrangementOf = (word: string): string => word.replace(/^drop-?/, 'drop-').replace(/[&+]/, '-')

/** Where shells are held when no strings are named: roots on the two lowest; without a root, under the highest string. */
export const usualSets = (rootless: boolean, strings: number): readonly string[] =>
  (rootless ? ['432'] : ['643', '543']).filter((set) => Number(set[0]) <= strings)
