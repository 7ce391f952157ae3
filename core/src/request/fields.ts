/**
 * A question as named texts, and back: the page's address and the HTTP query are the same fields, always in letters.
 *   { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', … } ─readQuestion→ Question ─writeQuestion→ the same
 */
import { type Formula, readSymbol, writeSymbol } from '../chord/index.ts'
import { readKnownTuning, readStringSet, type Tuning, writeStringSet, writeTuning } from '../neck/index.ts'
import { type Degree, parseDegree } from '../pitch/index.ts'
import { fail, ok, piece, type Result } from '../result/index.ts'
import { MANNERS, type Manner } from '../taste/index.ts'
import { type OpenStrings, readArrangement, writeArrangement } from '../voicing/index.ts'
import type { FieldError, Player, Question, QuestionError } from './types.ts'

/** Every field, and how many characters it takes at most: defined here once for address, HTTP and links. */
export const QUESTION_FIELDS = {
  chord: 5000,
  arrangement: 60,
  strings: 30,
  bass: 4,
  top: 4,
  omit: 40,
  doubling: 8,
  open: 8,
  manner: 8,
  fretMin: 4,
  fretMax: 4,
  span: 4,
  tuning: 80,
} as const
export type QuestionField = keyof typeof QUESTION_FIELDS
export type QuestionTexts = Readonly<Partial<Record<QuestionField, string>>>

export const DEFAULT_FRET_MAX = 15
const HIGHEST_FRET = 36

const inField = (field: QuestionField, error: QuestionError) => fail<FieldError>({ ...error, field })

function readDegrees(text: string): Result<readonly Degree[], QuestionError> {
  const degrees: Degree[] = []
  for (const word of text.matchAll(/[^\s,-]+/gu)) {
    const degree = parseDegree(word[0])
    if (degree === undefined) return fail({ code: 'not_a_degree', at: word.index, text: piece(word[0]) })
    degrees.push(degree)
  }
  return ok(degrees)
}

function readNumber(
  text: string | undefined,
  { fallback, least, most }: { readonly fallback: number; readonly least: number; readonly most: number },
): Result<number, QuestionError> {
  if (text === undefined) return ok(fallback)
  const value = /^\d{1,3}$/.test(text) ? Number(text) : Number.NaN
  return value >= least && value <= most
    ? ok(value)
    : fail({ code: 'not_a_number', at: 0, text: piece(text, 24), least, most })
}

function readOneOf<T extends string>(
  text: string | undefined,
  choices: readonly T[],
  fallback: T,
): Result<T, QuestionError> {
  if (text === undefined) return ok(fallback)
  const found = choices.find((choice) => choice === text)
  return found === undefined ? fail({ code: 'not_one_of', at: 0, text: piece(text, 24), choices }) : ok(found)
}

/** One of the chord's own tones. */
export function readTone(text: string, formula: Formula): Result<Degree, QuestionError> {
  const degree = parseDegree(text)
  return degree !== undefined && formula.includes(degree)
    ? ok(degree)
    : fail({ code: 'not_a_chord_tone', at: 0, text: piece(text, 24), formula, none: false })
}

/** A tuning of the address: `undefined` when it is the player's own. */
export function readOtherTuning(text: string, { instrument }: Player): Result<Tuning | undefined, QuestionError> {
  const read = readKnownTuning(text)
  if (!read.ok) return read
  return ok(writeTuning(read.value) === writeTuning(instrument.tuning) ? undefined : read.value)
}

/** Reads a question. The first field that is wrong is refused with its place; nothing is guessed. */
export function readQuestion(texts: QuestionTexts, player: Player): Result<Question, FieldError> {
  const chord = readSymbol(texts.chord ?? '')
  if (!chord.ok) return inField('chord', chord.error)
  const { root, formula, bass: slash } = chord.value
  const arrangement = readArrangement(texts.arrangement ?? 'any')
  if (!arrangement.ok) return inField('arrangement', arrangement.error)
  const tuning = texts.tuning === undefined ? ok(undefined) : readOtherTuning(texts.tuning, player)
  if (!tuning.ok) return inField('tuning', tuning.error)
  const count = (tuning.value ?? player.instrument.tuning).strings.length
  const set = texts.strings ?? 'any'
  const strings = set === 'any' ? ok(undefined) : readStringSet(set, count)
  if (!strings.ok) return inField('strings', strings.error)
  const bass = texts.bass === undefined ? ok(undefined) : readTone(texts.bass, formula)
  if (!bass.ok) return inField('bass', bass.error)
  const top = texts.top === undefined ? ok(undefined) : readTone(texts.top, formula)
  if (!top.ok) return inField('top', top.error)
  const omit = texts.omit === undefined ? ok(undefined) : readDegrees(texts.omit === 'none' ? '' : texts.omit)
  if (!omit.ok) return inField('omit', omit.error)
  const stranger = omit.value?.find((degree) => !formula.includes(degree))
  if (stranger !== undefined) {
    const at = Math.max(0, texts.omit?.indexOf(stranger) ?? 0)
    return inField('omit', { code: 'not_a_chord_tone', at, text: stranger, formula, none: true })
  }
  const doubling = readOneOf(texts.doubling, ['false', 'true', 'free'], 'free')
  if (!doubling.ok) return inField('doubling', doubling.error)
  const open = readOneOf<OpenStrings>(texts.open, ['never', 'allow', 'require'], 'never')
  if (!open.ok) return inField('open', open.error)
  const manner = texts.manner === undefined ? ok(undefined) : readOneOf<Manner>(texts.manner, MANNERS, 'comp')
  if (!manner.ok) return inField('manner', manner.error)
  const fretMin = readNumber(texts.fretMin, { fallback: 1, least: 1, most: HIGHEST_FRET })
  if (!fretMin.ok) return inField('fretMin', fretMin.error)
  const fallback = Math.max(DEFAULT_FRET_MAX, fretMin.value)
  const fretMax = readNumber(texts.fretMax, { fallback, least: fretMin.value, most: HIGHEST_FRET })
  if (!fretMax.ok) return inField('fretMax', fretMax.error)
  const span = texts.span === undefined ? ok(undefined) : readNumber(texts.span, { fallback: 0, least: 0, most: 12 })
  if (!span.ok) return inField('span', span.error)
  return ok({
    chord: slash === undefined ? { root, formula } : { root, formula, bass: slash },
    arrangement: arrangement.value,
    strings: strings.value,
    bass: bass.value,
    top: top.value,
    omit: omit.value,
    doubling: doubling.value === 'free' ? undefined : doubling.value === 'true',
    open: open.value,
    manner: manner.value,
    fretMin: fretMin.value,
    fretMax: fretMax.value,
    span: span.value,
    tuning: tuning.value,
  })
}

/**
 * Reads what can be read: a field that is wrong loses only itself, and the first fault is told with the question.
 * @param chord Stands in where the chord itself can't be read.
 */
export function readWhatCanBe(
  texts: QuestionTexts,
  player: Player,
  chord: string,
): { readonly question: Question; readonly error: FieldError | undefined } {
  let first: FieldError | undefined
  let left: QuestionTexts = texts
  for (;;) {
    const read = readQuestion(left, player)
    if (read.ok) return { question: read.value, error: first }
    first ??= read.error
    const { field } = read.error
    if (field === 'chord') left = { ...left, chord }
    else {
      const { [field as QuestionField]: _, ...others } = left
      left = others
    }
  }
}

/** Writes a question as fields; what is at its default is left away. `ownStrings`: how many the instrument has. */
export function writeQuestion(question: Question, ownStrings: number): QuestionTexts {
  const strings = question.tuning?.strings.length ?? ownStrings
  const { arrangement, bass, top, omit, span } = question
  return {
    chord: writeSymbol(question.chord, { ascii: true }),
    ...(arrangement.kind === 'any' ? {} : { arrangement: writeArrangement(arrangement) }),
    ...(question.strings === undefined
      ? {}
      : { strings: writeStringSet(question.strings, strings).replaceAll(' ', ',') }),
    ...(bass === undefined ? {} : { bass }),
    ...(top === undefined ? {} : { top }),
    ...(omit === undefined ? {} : { omit: omit.length === 0 ? 'none' : omit.join(',') }),
    ...(question.doubling === undefined ? {} : { doubling: String(question.doubling) }),
    ...(question.open === 'never' ? {} : { open: question.open }),
    ...(question.manner === undefined ? {} : { manner: question.manner }),
    ...(question.fretMin === 1 ? {} : { fretMin: String(question.fretMin) }),
    ...(question.fretMax === DEFAULT_FRET_MAX ? {} : { fretMax: String(question.fretMax) }),
    ...(span === undefined ? {} : { span: String(span) }),
    ...(question.tuning === undefined ? {} : { tuning: writeTuning(question.tuning) }),
  }
}
