/**
 * The typed line: anything a player says. `Ebmaj9 drop2 5432 3rd bass no 5`; wishes alone about the chord in hand
 * (`drop3 6432`); frets (`x3545x`); a formula or thirds (`R b3 5 b7`, `m3 m3 M3`); an order of degrees (`3 7 R 5 on 6521`);
 * `this is G7`. It is read in the player's own naming and edits a value: its symbol is read once.
 *   words ─chordHead→ chord ─readWishes→ wishes, over what stood before → Question; frets ─namesOf→ Question
 */
import type { Chord, Formula } from '../chord/index.ts'
import { namesOf } from '../name/index.ts'
import { neckOf, readStringSet, writeTuning } from '../neck/index.ts'
import { type Degree, stepOf } from '../pitch/index.ts'
import { fail, ok, piece, type Result } from '../result/index.ts'
import { type Frets, readFrets, voicingOf, writeFrets } from '../voicing/index.ts'
import { inManner } from './choices.ts'
import { DEFAULT_FRET_MAX } from './fields.ts'
import { instrumentFor } from './instrument.ts'
import { chordHead } from './lineHead.ts'
import { readWishes, type StringsNamed, type Wishes } from './lineWishes.ts'
import { type Piece, wordsIn } from './lineWords.ts'
import { questionOfShape } from './ofShape.ts'
import { shapesIn, type WrittenShape } from './shapesLine.ts'
import type { FieldError, Player, Question } from './types.ts'

const MOST_LINE = 160

/** A wish that was made before and that the line doesn't name: where it doesn't fit the new chord, it gives way. */
export type KeptWish = 'arrangement' | 'strings' | 'frets'

export interface TypedLine {
  readonly question: Question
  /** Frets that were typed, to be taken into hand. */
  readonly frets?: Frets | undefined
  /** Two shapes or more on the line; the question stays as it was. */
  readonly shapes?: readonly WrittenShape[] | undefined
  /** "this is G7": the shape in hand stays, and this is its name. */
  readonly states: boolean
  readonly kept: readonly KeptWish[]
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

const STATES = /^\s*(?:(?:this|it|that)\s+is|it[’']s|that[’']s|is|=)\s+/i

/** Reads a typed line. `before` is what stands in hand: it lends its chord to wishes alone, and its wishes to a chord. */
export function readTypedLine(text: string, player: Player, before?: Question): Result<TypedLine, FieldError> {
  if (text.length > MOST_LINE)
    return fail({ code: 'line_too_long', field: 'line', at: MOST_LINE, text: piece(text), most: MOST_LINE })
  if (text.trim() === '') return fail({ code: 'nothing_typed', field: 'chord', at: 0, text: '' })
  const stated = STATES.exec(text)?.[0].length ?? 0
  const words = wordsIn(text).filter(({ at }) => at >= stated)
  // "this is" without a name is the beginning of one.
  if (words.length === 0) return fail({ code: 'nothing_typed', field: 'chord', at: stated, text: '' })
  const frets = stated === 0 ? (typedShapes(words, player, before) ?? typedFrets(words, player, before)) : undefined
  if (frets) return frets
  const head = chordHead(words, text, player, before?.chord)
  if (!head.ok) return fail({ ...head.error, field: 'chord' })
  const chord = head.value?.chord ?? before?.chord
  // Without anything in hand a wish is about nothing.
  if (chord === undefined)
    return fail({ code: 'nothing_typed', field: 'chord', at: words[0]?.at ?? 0, text: words[0]?.text ?? '' })
  const rest = words.slice(head.value?.count ?? 0)
  const wishes = readWishes(rest, chord, player)
  if (!wishes.ok) return wishes
  const kept = head.value ? startFrom(chord, before) : (before as Question)
  // Another manner has its own strings, arrangement and place.
  const start = wishes.value.manner === undefined ? kept : inManner(kept, wishes.value.manner)
  const asked = withWishes(start, chord, wishes.value)
  const question = withStrings(asked, wishes.value.strings, player, before)
  return question.ok
    ? ok({
        question: wishes.value.rootless ? rootlessOn(question.value) : question.value,
        states: stated > 0,
        kept: keptOf(wishes.value, before),
      })
    : question
}

/** What goes with the root where strings are fewer than tones: the fifth, then tensions below the highest. */
const ALSO_SILENT: readonly Degree[] = ['5', '11', '9']

function rootlessOn(question: Question): Question {
  const { chord, strings, omit = [] } = question
  if (strings === undefined) return question
  const highest = Math.max(...chord.formula.map(stepOf))
  const silent = [...omit]
  for (const degree of ALSO_SILENT) {
    if (chord.formula.length - silent.length <= strings.length) break
    if (chord.formula.includes(degree) && !silent.includes(degree) && stepOf(degree) < highest) silent.push(degree)
  }
  return { ...question, omit: silent }
}

/** Which wishes stand from before, for a chord that did not ask for them. */
function keptOf({ arrangement, strings, fretMin, manner }: Wishes, before: Question | undefined): readonly KeptWish[] {
  if (before === undefined || manner !== undefined) return []
  const kept: KeptWish[] = []
  if (arrangement === undefined && before.arrangement.kind === 'named') kept.push('arrangement')
  if (strings === undefined && before.strings !== undefined) kept.push('strings')
  if (fretMin === undefined && (before.fretMin > 1 || before.fretMax < DEFAULT_FRET_MAX)) kept.push('frets')
  return kept
}

function withWishes(start: Question, chord: Chord, wishes: Wishes): Question {
  const { formula, strings: _, fretsAt: __, rootless: ___, ...named } = wishes
  const about: Chord = formula === undefined ? chord : { ...chord, formula }
  // An order of before that sounds what is now left out is no order of it.
  const leaves = (degree: Question['bass']) => degree !== undefined && wishes.omit?.includes(degree) === true
  const isGone =
    wishes.arrangement === undefined && start.arrangement.kind === 'list' && start.arrangement.degrees.some(leaves)
  const asked = { ...start, chord: about, ...(isGone ? { arrangement: { kind: 'any' as const } } : {}), ...named }
  if (formula === undefined) return asked
  const still = (degree: Question['bass']) => (degree !== undefined && formula.includes(degree) ? degree : undefined)
  const omit = asked.omit?.filter((degree) => formula.includes(degree))
  return {
    ...asked,
    bass: still(asked.bass),
    top: still(asked.top),
    omit: omit?.length === 0 && wishes.omit === undefined ? undefined : omit,
    arrangement: listWithin(asked.arrangement, formula),
  }
}

const listWithin = (arrangement: Question['arrangement'], formula: Formula): Question['arrangement'] =>
  arrangement.kind === 'list' && !arrangement.degrees.every((degree) => formula.includes(degree))
    ? { kind: 'any' }
    : arrangement

function withStrings(
  asked: Question,
  strings: StringsNamed | undefined,
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

/** Frets with a name, and several shapes; `undefined` where the words are something else, frets alone too. */
function typedShapes(
  words: readonly Piece[],
  player: Player,
  before: Question | undefined,
): Result<TypedLine, FieldError> | undefined {
  const instrument = instrumentFor({ tuning: before?.tuning }, player)
  const neck = neckOf(instrument)
  const shapes = shapesIn(words, {
    strings: neck.open.length,
    naming: player.naming,
    nameOf: (frets) => namesOf(frets, neck)[0]?.chord,
  })
  const [first] = shapes ?? []
  if (!shapes || !first || (shapes.length === 1 && !/=|\s/.test(words.map(({ text }) => text).join(' '))))
    return undefined
  for (const [index, { frets, chord }] of shapes.entries()) {
    const high = frets.find((fret) => fret !== null && fret > neck.lastFret)
    const at = words[Math.min(index, words.length - 1)]?.at ?? 0
    if (high !== undefined)
      return fail({ code: 'past_the_hand', field: 'line', at, text: String(high), most: neck.lastFret })
    if (voicingOf(chord, frets, neck) === undefined)
      return fail({ code: 'not_the_shape', field: 'line', at, text: piece(writeFrets(frets)) })
  }
  const { tuning } = instrument
  const question = before ?? questionOfShape({ ...first, tuning }, player)
  if (shapes.length > 1) return ok({ question, shapes, states: false, kept: [] })
  const named = { ...questionOfShape({ ...first, tuning }, player), tuning: before?.tuning }
  return ok({ question: named, frets: first.frets, states: false, kept: [] })
}

const FRETS_ONLY = /^[\dxX\s.,-]+$/

/** Whether digits name strings: they fall, and none comes twice. */
const fallsOnly = (numbers: readonly number[]): boolean =>
  numbers.every((number, index) => number > 0 && (index === 0 || number < (numbers[index - 1] as number)))

/** Frets for every string, by themselves or with a tuning; `undefined` where the words are something else. */
function typedFrets(
  words: readonly Piece[],
  player: Player,
  before: Question | undefined,
): Result<TypedLine, FieldError> | undefined {
  const behind = words.findIndex(({ text }) => /^in$/i.test(text))
  const own = behind < 0 ? words : words.slice(0, behind)
  const text = own.map((word) => word.text).join(' ')
  if (own.length === 0 || !FRETS_ONLY.test(text)) return undefined
  const tuned = readWishes(words.slice(own.length), before?.chord ?? { root: 'C', formula: ['R', '5'] }, player)
  if (!tuned.ok) return tuned
  const tuning = 'tuning' in tuned.value ? tuned.value.tuning : before?.tuning
  const instrument = instrumentFor({ tuning }, player)
  const count = instrument.tuning.strings.length
  if (!/[xX]/.test(text)) {
    const read = readFrets(text)
    const numbers = read.ok ? read.value.map((fret) => fret ?? 0) : []
    if (numbers.length === 0 || fallsOnly(numbers)) return undefined
    // Digits that fit no neck may still be anything else: an order of tones, a list of strings.
    if (numbers.length !== count && !text.includes('0')) return undefined
  }
  const at = own[0]?.at ?? 0
  const frets = readFrets(text, count)
  if (!frets.ok) {
    const proposals = frets.error.code === 'fret_count' ? withSilent(text, count) : []
    return proposals.length > 0
      ? fail({ code: 'frets_missing', field: 'line', at, text: piece(text), strings: count, choices: proposals })
      : fail({ ...frets.error, field: 'line', at: at + frets.error.at })
  }
  const neck = neckOf(instrument)
  const high = frets.value.findIndex((fret) => fret !== null && fret > neck.lastFret)
  if (high >= 0)
    return fail({ code: 'past_the_hand', field: 'line', at, text: String(frets.value[high]), most: neck.lastFret })
  const chord = namesOf(frets.value, neck)[0]?.chord ?? before?.chord ?? { root: 'C', formula: ['R', '5'] }
  // An inversion's own bass is told by the bass word, not by the symbol.
  const plain: Chord = { root: chord.root, formula: chord.formula }
  const isOwn = voicingOf(plain, frets.value, neck) !== undefined
  const shape = { chord: isOwn ? plain : chord, frets: frets.value, tuning: instrument.tuning }
  const question = questionOfShape(shape, player)
  const sameTuning = tuning === undefined || writeTuning(tuning) === writeTuning(player.instrument.tuning)
  return ok({
    question: { ...question, tuning: sameTuning ? undefined : tuning },
    frets: frets.value,
    states: false,
    kept: [],
  })
}

/** Frets for a string or two fewer than the neck has: the strings beside them lie silent, the low ones last. */
function withSilent(text: string, strings: number): readonly string[] {
  const read = readFrets(text)
  const missing = read.ok ? strings - read.value.length : 0
  if (!read.ok || missing < 1 || missing > 2) return []
  const silent = (count: number) => Array.from({ length: count }, () => null)
  return Array.from({ length: missing + 1 }, (_, low) =>
    writeFrets([...silent(low), ...read.value, ...silent(missing - low)]),
  )
}
