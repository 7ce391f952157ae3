/**
 * The typed line: `Ebmaj9 drop2 5432 3rd bass no 5`. The chord comes first; the rest in any order, and what isn't named
 * stays as it was in the question before. It is read in the player's own naming and edits a value: its symbol is read once.
 */
import { type Chord, readFormula, readSymbol, readThirds, respellRoot, type SymbolError } from '../chord/index.ts'
import { readKnownTuning, readStringSet, type Tuning, writeTuning } from '../neck/index.ts'
import { type Degree, readNote, stepOf } from '../pitch/index.ts'
import { fail, ok, piece, type Result } from '../result/index.ts'
import { readArrangement } from '../voicing/index.ts'
import { DEFAULT_FRET_MAX } from './fields.ts'
import { instrumentFor } from './instrument.ts'
import type { FieldError, Player, Question } from './types.ts'

const MOST_LINE = 160

const ORDINALS: Readonly<Record<string, number>> = {
  root: 1, '1st': 1, '2nd': 2, second: 2, third: 3, '3rd': 3, '4th': 4, fourth: 4, fifth: 5, '5th': 5, '6th': 6, sixth: 6,
  seventh: 7, '7th': 7, ninth: 9, '9th': 9, '11th': 11, eleventh: 11, '13th': 13, thirteenth: 13,
} // biome-ignore format: a table

const FILLERS = /^(as|on|in|the|strings?|with|and|of|tones?|,|·)$/i

/** Turns `3rd` into the degree that this chord has there: ♭3 in a minor chord, ♭7 in a dominant. */
function toneNamed(word: string, { formula }: Chord): Degree | undefined {
  const own = formula.find((degree) => degree === word)
  if (own !== undefined) return own
  const step = ORDINALS[word.toLowerCase()] ?? (/^\d{1,2}$/.test(word) ? Number(word) : undefined)
  return step === undefined ? undefined : formula.find((degree) => stepOf(degree) === step)
}

interface Piece {
  readonly text: string
  readonly at: number
}

interface ChordRead {
  readonly chord: Chord
  /** Words taken. */
  readonly count: number
}

const plainChord = ({ root, formula, bass }: Chord): Chord =>
  bass === undefined ? { root, formula } : { root, formula, bass }

/** `C minor 7 flat 5` has five. */
const MOST_CHORD_WORDS = 6

/** The longest run of leading words that reads as one symbol (`C m7 b5` is one chord). */
function symbolWords(words: readonly Piece[], text: string, player: Player): Result<ChordRead, SymbolError> {
  let first: SymbolError | undefined
  let found: ChordRead | undefined
  for (let count = 1; count <= Math.min(words.length, MOST_CHORD_WORDS); count++) {
    const last = words[count - 1] as Piece
    if (count > 1 && /^(no|omit|any|\d{2,})$/i.test(last.text)) break
    const symbol = readSymbol(text.slice(0, last.at + last.text.length), player.naming)
    if (symbol.ok) found = { chord: plainChord(symbol.value), count }
    else first ??= symbol.error
  }
  return found ? ok(found) : fail(first as SymbolError)
}

/** `Eb R 3 5 7` and `C m3 m3 M3`: a root, then its formula as degrees or as stacked thirds. */
function formulaAfterRoot(words: readonly Piece[], player: Player): Result<ChordRead, SymbolError> | undefined {
  const [note, first] = words
  const root = note && readNote(note.text, player.naming)
  if (!note || !first || root === undefined) return undefined
  const thirds = /^[mM]3$/.test(first.text)
  if (!thirds && !/^(R|1)$/i.test(first.text)) return undefined
  const isTone = thirds ? /^[mM]3$/ : /^(R|1|[b#♭♯]*(2|3|4|5|6|7|9|11|13))$/i
  let count = 1
  while (words[count] && isTone.test((words[count] as Piece).text)) count++
  const told = words.slice(1, count)
  const formula = (thirds ? readThirds : readFormula)(told.map((word) => word.text).join(' '))
  if (!formula.ok) return fail({ ...formula.error, at: first.at + formula.error.at })
  return ok({ chord: { root: respellRoot(root, formula.value), formula: formula.value }, count })
}

/** A tuning named over the words from `from` on: `dadgad`, `D A D G A D`, `all fourths`; the longest that is one. */
function tuningAt(
  words: readonly Piece[],
  from: number,
): { readonly tuning: Tuning; readonly count: number } | undefined {
  for (let count = Math.min(10, words.length - from); count > 0; count--) {
    const text = words
      .slice(from, from + count)
      .map((word) => word.text)
      .join(' ')
    const known = readKnownTuning(text)
    if (known.ok) return { tuning: known.value, count }
  }
  return undefined
}

/** The question before without what belonged to its chord. */
function startFrom(chord: Chord, before: Question | undefined): Question {
  if (before === undefined)
    return { chord, arrangement: { kind: 'any' }, open: 'never', fretMin: 1, fretMax: DEFAULT_FRET_MAX }
  return {
    ...before,
    chord,
    bass: undefined,
    top: undefined,
    omit: undefined,
    ...(before.arrangement.kind === 'list' ? { arrangement: { kind: 'any' } } : {}),
  }
}

/** Reads a typed line. `before` lends its arrangement and string set where the line names none. */
export function readTypedLine(text: string, player: Player, before?: Question): Result<Question, FieldError> {
  if (text.length > MOST_LINE)
    return fail({ code: 'line_too_long', field: 'line', at: MOST_LINE, text: piece(text), most: MOST_LINE })
  const words = [...text.matchAll(/\S+/gu)].map((found) => ({ text: found[0], at: found.index }))
  if (words.length === 0) return fail({ code: 'nothing_typed', field: 'chord', at: 0, text: '' })
  const read = formulaAfterRoot(words, player) ?? symbolWords(words, text, player)
  if (!read.ok) return fail({ ...read.error, field: 'chord' })
  const { chord, count } = read.value
  let asked = startFrom(chord, before)
  /** What names strings; they are read at the end, when the tuning is known. */
  let strings: { readonly text: string; readonly at: number } | 'any' | undefined
  const rest = words.slice(count)
  for (let at = 0; at < rest.length; at++) {
    const word = rest[at] as Piece
    const next = rest[at + 1]
    const lower = word.text.toLowerCase().replace(/[,;]$/, '')
    const tuning = lower === 'in' ? tuningAt(rest, at + 1) : undefined
    if (tuning !== undefined) {
      const own = writeTuning(tuning.tuning) === writeTuning(player.instrument.tuning)
      asked = { ...asked, tuning: own ? undefined : tuning.tuning }
      at += tuning.count
      continue
    }
    if (lower === 'any' && next && /^strings?,?$/i.test(next.text)) {
      strings = 'any'
      at++
      continue
    }
    if (FILLERS.test(lower)) continue
    const dropped = lower === 'drop' && next && /^\d([&+-]\d)?$/.test(next.text) ? `drop-${next.text}` : undefined
    if (dropped !== undefined || /^(close|spread|shell|any|drop-?\d([&+-]\d)?)$/.test(lower)) {
      const arrangement = readArrangement(dropped ?? lower)
      if (!arrangement.ok) return fail({ ...arrangement.error, field: 'arrangement' })
      asked = { ...asked, arrangement: arrangement.value }
      if (dropped !== undefined) at++
    } else if (/^\d{2,10}$/.test(lower)) strings = { text: lower, at: word.at }
    else if (/^\d$/.test(lower) && next && /^\d,?$/.test(next.text)) {
      const numbers = [lower]
      while (/^\d,?$/.test(rest[at + 1]?.text ?? '')) numbers.push((rest[++at] as Piece).text.replace(',', ''))
      strings = { text: numbers.join(''), at: word.at }
    } else if ((lower === 'bass' || lower === 'top') && next && toneNamed(next.text, chord) !== undefined) {
      asked = { ...asked, [lower]: toneNamed(next.text, chord) }
      at++
    } else if (/^(no|omit|without|leaving)$/.test(lower)) {
      const omit: Degree[] = []
      for (let following = rest[at + 1]; following; following = rest[at + 1]) {
        const tone = toneNamed(following.text.replace(/,$/, ''), chord)
        if (tone === undefined && !/^(out|the|and|nothing|none)$/i.test(following.text)) break
        if (tone !== undefined) omit.push(tone)
        at++
      }
      asked = { ...asked, omit }
    } else if (/^(no|omit)\w+$/.test(lower) && toneNamed(lower.replace(/^(no|omit)/, ''), chord) !== undefined)
      asked = { ...asked, omit: [toneNamed(lower.replace(/^(no|omit)/, ''), chord) as Degree] }
    else if (lower === 'doubled' || lower === 'doubling') asked = { ...asked, doubling: true }
    else if (lower === 'open') asked = { ...asked, open: 'allow' }
    else {
      const tone = toneNamed(lower, chord)
      const place = rest.slice(at + 1).findIndex((other) => !FILLERS.test(other.text))
      const role = place < 0 ? undefined : (rest[at + 1 + place] as Piece).text.toLowerCase()
      if (tone === undefined || (role !== 'bass' && role !== 'top'))
        return fail({ code: 'not_a_wish', field: 'line', at: word.at, text: piece(word.text, 16) })
      asked = { ...asked, [role]: tone }
      at += 1 + place
    }
  }
  return withStrings(asked, strings, player, before)
}

function withStrings(
  asked: Question,
  strings: { readonly text: string; readonly at: number } | 'any' | undefined,
  player: Player,
  before: Question | undefined,
): Result<Question, FieldError> {
  if (strings === 'any') return ok({ ...asked, strings: undefined })
  const count = instrumentFor(asked, player).tuning.strings.length
  if (strings === undefined) {
    // String numbers of a neck with other strings mean nothing here.
    const sameNeck = before === undefined || instrumentFor(before, player).tuning.strings.length === count
    return ok(sameNeck ? asked : { ...asked, strings: undefined })
  }
  const read = readStringSet(strings.text, count)
  return read.ok
    ? ok({ ...asked, strings: read.value })
    : fail({ ...read.error, field: 'strings', at: strings.at + read.error.at })
}
