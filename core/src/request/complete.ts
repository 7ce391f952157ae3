/** What a half-typed line may go on with: symbols while the chord is typed, then the other wishes. */
import { CATALOGUE, readSymbol } from '../chord/index.ts'
import { COMMON_TUNINGS, writeStringSet } from '../neck/index.ts'
import { readNotes, stepOf } from '../pitch/index.ts'
import { instrumentFor } from './instrument.ts'
import { readTypedLine } from './typedLine.ts'
import type { Player, Question } from './types.ts'

export interface Completion {
  /** The whole line, as it would stand. */
  readonly line: string
  readonly kind: 'symbol' | 'formula' | 'arrangement' | 'strings' | 'bass' | 'omit' | 'tuning' | 'more'
}

const ORDINAL: Readonly<Record<number, string>> = {
  1: 'root',
  2: '2nd',
  3: '3rd',
  4: '4th',
  5: '5th',
  6: '6th',
  7: '7th',
  9: '9th',
  11: '11th',
  13: '13th',
}

const ARRANGEMENTS = ['close', 'drop 2', 'drop 3', 'drop 2&4', 'drop 2&3', 'spread', 'shell', 'any']
const MOST = 8

/** Lines that begin as `text` does and can be read, the likeliest first; at most eight. */
export function completeLine(text: string, player: Player, before?: Question): readonly Completion[] {
  const typed = text.trimStart()
  if (typed === '') return []
  const legal = (completion: Completion) => readTypedLine(completion.line, player, before).ok
  const found = /\s/.test(typed) ? wishes(typed, player, before) : symbols(typed, player)
  const offered: Completion[] = []
  for (const completion of found) {
    if (offered.length === MOST) break
    if (completion.line !== text.trim() && legal(completion)) offered.push(completion)
  }
  return offered
}

function symbols(typed: string, player: Player): readonly Completion[] {
  const [root] = readNotes(typed, player.naming)
  if (root === undefined) return []
  const begun = typed.slice(root.length)
  const note = typed.slice(0, root.length)
  const told = CATALOGUE.filter(({ suffix }) => suffix.startsWith(begun)).map(
    ({ suffix }): Completion => ({ line: `${note}${/^[b#]/.test(suffix) ? `(${suffix})` : suffix}`, kind: 'symbol' }),
  )
  const formulas = begun === '' ? [{ line: `${note} R b3 5 b7`, kind: 'formula' as const }] : []
  return [...told.slice(0, MOST - formulas.length), ...formulas]
}

function wishes(typed: string, player: Player, before: Question | undefined): readonly Completion[] {
  const begun = /\S*$/.exec(typed)?.[0] ?? ''
  const stem = typed.slice(0, typed.length - begun.length)
  const chord = readTypedLine(stem, player, before)
  const symbol = readSymbol(stem.trim().split(/\s+/)[0] ?? '', player.naming)
  if (!chord.ok && !symbol.ok) return []
  const formula = chord.ok ? chord.value.question.chord.formula : symbol.ok ? symbol.value.formula : []
  const strings = instrumentFor(chord.ok ? chord.value.question : {}, player).tuning.strings.length
  const size = Math.min(4, Math.max(3, formula.length), strings)
  const sets = Array.from({ length: strings - size + 1 }, (_, low) =>
    writeStringSet(
      Array.from({ length: size }, (_, index) => low + index),
      strings,
    ).replaceAll(' ', ','),
  ).reverse()
  const ordinals = formula.map((degree) => ORDINAL[stepOf(degree)] ?? degree)
  const words: readonly (readonly [string, Completion['kind']])[] = [
    ...ARRANGEMENTS.map((word) => [word, 'arrangement'] as const),
    ...sets.map((set) => [set, 'strings'] as const),
    ...ordinals.map((word) => [`${word} bass`, 'bass'] as const),
    ...ordinals.map((word) => [`${word} top`, 'bass'] as const),
    ...formula.map((degree) => [`no ${degree}`, 'omit'] as const),
    ['open', 'more'],
    ['doubled', 'more'],
    ...COMMON_TUNINGS.map(({ name }) => [`in ${name.replaceAll('♯', '#').replaceAll('♭', 'b')}`, 'tuning'] as const),
  ]
  const begins = (word: string) => word.startsWith(begun.toLowerCase()) || word.replace(' ', '').startsWith(begun)
  if (begun !== '') return words.filter(([word]) => begins(word)).map(([word, kind]) => ({ line: stem + word, kind }))
  // Nothing begun: two of each kind show what there is.
  return words
    .filter(([, kind], index) => words.slice(0, index).filter(([, other]) => other === kind).length < 2)
    .map(([word, kind]) => ({ line: stem + word, kind }))
}
