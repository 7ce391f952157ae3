/** What a half-typed line may go on with: symbols while the chord is typed, then the other wishes. */
import { CATALOGUE, readSymbol } from '../chord/index.ts'
import { COMMON_TUNINGS, writeStringSet } from '../neck/index.ts'
import { readNotes, stepOf } from '../pitch/index.ts'
import { linesGoingOn } from '../result/index.ts'
import { instrumentFor } from './instrument.ts'
import { readTypedLine } from './typedLine.ts'
import type { Player, Question } from './types.ts'

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

/** Lines that begin as `text` does and can be read, the likeliest first; at most eight. */
export function completeLine(text: string, player: Player, before?: Question): readonly string[] {
  const typed = text.trimStart()
  if (typed === '') return []
  const isLine = (line: string) => readTypedLine(line, player, before).ok
  const kinds = /\s/.test(typed) ? wishes(typed, player, before) : symbols(typed, player)
  return linesGoingOn(typed, kinds, isLine)
}

/** Symbols on a root that is typed; a root alone shows that the tones can be written as well. */
function symbols(typed: string, player: Player): readonly (readonly string[])[] {
  const [root] = readNotes(typed, player.naming)
  if (root === undefined) return []
  const note = typed.slice(0, root.length)
  const told = CATALOGUE.map(({ suffix }) => `${note}${/^[b#]/.test(suffix) ? `(${suffix})` : suffix}`)
  return note === typed ? [told.slice(1, 8), [`${note} R b3 5 b7`]] : [told]
}

function wishes(typed: string, player: Player, before: Question | undefined): readonly (readonly string[])[] {
  const stem = typed.replace(/\S*$/, '')
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
  return [
    ['open', 'barre', 'doubled'],
    ARRANGEMENTS,
    sets,
    ordinals.flatMap((word) => [`${word} bass`, `${word} top`]),
    formula.map((degree) => `no ${degree}`),
    COMMON_TUNINGS.map(({ name }) => `in ${name.replaceAll('♯', '#').replaceAll('♭', 'b')}`),
  ]
}
