/** What a typed line begins with: a symbol, a root with its formula or its thirds, a formula alone, or nothing of a chord. */
import {
  type Chord,
  type Formula,
  type FormulaError,
  readFormula,
  readSymbol,
  readThirds,
  respellRoot,
  type SymbolError,
} from '../chord/index.ts'
import { type NoteName, readNote } from '../pitch/index.ts'
import { fail, ok, type Result } from '../result/index.ts'
import { bare, degreeRunAt, isFiller, isFormula, type Piece, roleAfter } from './lineWords.ts'
import type { Player } from './types.ts'

export interface ChordHead {
  readonly chord: Chord
  /** Words taken. */
  readonly count: number
}

/** `C minor 7 flat 5` has five. */
const MOST_CHORD_WORDS = 6

/** Words with which a line of wishes begins; `Drop3` is no chord on D. */
const WISH =
  /^(close|closed|spread|any|drop(-?\d([&+-]\d)?)?|no|omit|without|leaving|open|nut|from|doubled|doubling|rootless|triads?|shells?|power|barr(e|é|ed)|comp(ing)?|bossa|funk|blues|solo|fingerstyle|frets?|positions?|bass|top|root|above|below|up|\d+(st|nd|rd|th)|first|second|third|fourth|fifth|sixth|seventh|ninth|eleventh|thirteenth|only|all|inversion|no\w+|\d+)$/i

/** A chord at the beginning of the words; `undefined` where they begin with a wish, which is about the chord in hand. */
export function chordHead(
  words: readonly Piece[],
  text: string,
  player: Player,
  before: Chord | undefined,
): Result<ChordHead | undefined, SymbolError | FormulaError> {
  const own = rootless(words, before) ?? afterRoot(words, player)
  if (own) return own
  const [first] = words
  if (first === undefined || WISH.test(bare(first))) return ok(undefined)
  const symbol = symbolWords(first, words, text, player)
  // German A♭ is "As": a chord where it is written as one.
  if (isFiller(first.text) && !(symbol.ok && /^[A-H]/.test(first.text))) return ok(undefined)
  if (!symbol.ok && degreeRunAt(words, 0)) return ok(undefined)
  return symbol
}

/** The longest run of leading words that reads as one symbol (`C m7 b5` is one chord). */
function symbolWords(
  first: Piece,
  words: readonly Piece[],
  text: string,
  player: Player,
): Result<ChordHead, SymbolError> {
  const upTo = ({ at, text: word }: Piece, count: number): Result<ChordHead, SymbolError> => {
    const symbol = readSymbol(text.slice(first.at, at + word.length), player.naming)
    return symbol.ok
      ? ok({ chord: plainChord(symbol.value), count })
      : fail({ ...symbol.error, at: first.at + symbol.error.at })
  }
  let longest = upTo(first, 1)
  for (const [index, last] of words.slice(0, MOST_CHORD_WORDS).entries()) {
    if (index === 0) continue
    if (/^(no|omit|any|triads?|shells?|\d{2,}|R)$/i.test(last.text) || roleAfter(words, index)) break
    const symbol = upTo(last, index + 1)
    if (symbol.ok) longest = symbol
  }
  return longest
}

/** Without what else a reading carries. */
export const plainChord = ({ root, formula, bass }: Chord): Chord =>
  bass === undefined ? { root, formula } : { root, formula, bass }

const isThird = (word: Piece | undefined): boolean => /^[mM]3,?$/.test(word?.text ?? '')

/** `Eb R 3 5 7` and `C m3 m3 M3`: a root, then its formula as degrees or as stacked thirds. */
function afterRoot(words: readonly Piece[], player: Player): Result<ChordHead, FormulaError> | undefined {
  const [note] = words
  const root = note && readNote(note.text, player.naming)
  return root === undefined ? undefined : formulaFrom(words, 1, root)
}

/** The same without a root: the chord in hand keeps its own. */
function rootless(words: readonly Piece[], before: Chord | undefined): Result<ChordHead, FormulaError> | undefined {
  return formulaFrom(words, 0, before?.root ?? 'C')
}

function formulaFrom(
  words: readonly Piece[],
  from: number,
  root: NoteName,
): Result<ChordHead, FormulaError> | undefined {
  const first = words[from]
  if (first === undefined) return undefined
  const told = (count: number, read: Result<Formula, FormulaError>): Result<ChordHead, FormulaError> =>
    read.ok
      ? ok({ chord: { root: respellRoot(root, read.value), formula: read.value }, count: from + count })
      : fail({ ...read.error, at: first.at + read.error.at })
  const texts = (count: number) => words.slice(from, from + count).map((word) => word.text)
  if (isThird(first)) {
    let count = 1
    while (isThird(words[from + count])) count++
    return told(count, readThirds(texts(count).join(' ')))
  }
  const run = degreeRunAt(words, from)
  if (run && isFormula(run.degrees)) return told(run.count, readFormula(texts(run.count).join(' ')))
  // `R 5 R 3` is an order of the chord's tones, not `R 5` and then something.
  if (run) return undefined
  // A root alone is no formula, and `R 9z` is wrong at its second word.
  if (/^(R|1)$/i.test(first.text) && from === 1) return told(2, readFormula(texts(2).join(' ')))
  return undefined
}
