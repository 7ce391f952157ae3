/**
 * A build as named texts, and back: the page's address and the HTTP query are the same fields.
 *   { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', … } ─readBuild→ Build ─writeBuild→ the same
 */
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { readKnownTuning, readStringSet, writeStringSet, writeTuning } from '../neck/index.ts'
import { type Degree, parseDegree } from '../pitch/index.ts'
import { fail, ok, type Result, type TextError } from '../result/index.ts'
import { type OpenStrings, readArrangement, writeArrangement } from '../voicing/index.ts'
import type { Build, FieldError, Setting } from './types.ts'

export const BUILD_FIELDS = [
  'chord',
  'arrangement',
  'strings',
  'bass',
  'top',
  'omit',
  'doubling',
  'open',
  'fretMin',
  'fretMax',
  'span',
  'tuning',
] as const
export type BuildField = (typeof BUILD_FIELDS)[number]
export type BuildParams = Readonly<Partial<Record<BuildField, string>>>

export const DEFAULT_FRET_MAX = 15

const inField = (field: string, error: TextError): FieldError => ({
  field,
  at: error.at,
  expected: error.expected,
  message: error.message,
})

const refuse = (field: string, value: string, expected: string, at = 0) =>
  fail<FieldError>({
    field,
    at,
    expected,
    message: `${field} is ${value.slice(0, 24) || 'empty'}; expected ${expected}`,
  })

function readDegrees(field: string, text: string): Result<readonly Degree[], FieldError> {
  const degrees: Degree[] = []
  for (const word of text.matchAll(/[^\s,-]+/gu)) {
    const degree = parseDegree(word[0])
    if (degree === undefined) return refuse(field, word[0], 'degrees such as R, b3, 5 or 9', word.index)
    degrees.push(degree)
  }
  return ok(degrees)
}

function readNumber(
  field: string,
  text: string | undefined,
  fallback: number,
  least: number,
  most: number,
): Result<number, FieldError> {
  if (text === undefined) return ok(fallback)
  const value = /^\d{1,3}$/.test(text) ? Number(text) : Number.NaN
  return value >= least && value <= most ? ok(value) : refuse(field, text, `a whole number from ${least} to ${most}`)
}

function readOneOf<T extends string>(
  field: string,
  text: string | undefined,
  choices: readonly T[],
  fallback: T,
): Result<T, FieldError> {
  if (text === undefined) return ok(fallback)
  const found = choices.find((choice) => choice === text)
  return found === undefined ? refuse(field, text, choices.join(', ')) : ok(found)
}

/** Reads a build. The first field that is wrong is refused with its place; nothing is guessed. */
export function readBuild(params: BuildParams, setting: Setting): Result<Build, FieldError> {
  const symbol = params.chord ?? ''
  const chord = readSymbol(symbol, setting.naming)
  if (!chord.ok) return fail(inField('chord', chord.error))
  const { root, formula, bass: slash } = chord.value
  const arrangement = readArrangement(params.arrangement ?? 'any')
  if (!arrangement.ok) return fail(inField('arrangement', arrangement.error))
  const tuning = params.tuning === undefined ? undefined : readKnownTuning(params.tuning)
  if (tuning && !tuning.ok) return fail(inField('tuning', tuning.error))
  const other =
    tuning && writeTuning(tuning.value) !== writeTuning(setting.instrument.tuning) ? tuning.value : undefined
  const count = (other ?? setting.instrument.tuning).strings.length
  const strings = params.strings === undefined ? undefined : readStringSet(params.strings, count)
  if (strings && !strings.ok) return fail(inField('strings', strings.error))
  const tone = (field: 'bass' | 'top'): Result<Degree | undefined, FieldError> => {
    const text = params[field]
    if (text === undefined) return ok(undefined)
    const degree = parseDegree(text)
    const tones = formula.join(' ')
    return degree !== undefined && formula.includes(degree)
      ? ok(degree)
      : refuse(field, text, `a tone of the chord: ${tones}`)
  }
  const bass = tone('bass')
  if (!bass.ok) return bass
  const top = tone('top')
  if (!top.ok) return top
  const omit = params.omit === undefined ? undefined : readDegrees('omit', params.omit === 'none' ? '' : params.omit)
  if (omit && !omit.ok) return omit
  const stranger = omit?.value.find((degree) => !formula.includes(degree))
  if (stranger !== undefined)
    return refuse('omit', stranger, `tones of the chord (${formula.join(' ')}) or none`, params.omit?.indexOf(stranger))
  const doubling = readOneOf('doubling', params.doubling, ['false', 'true', 'free'], 'free')
  if (!doubling.ok) return doubling
  const open = readOneOf<OpenStrings>('open', params.open, ['never', 'allow', 'require'], 'never')
  if (!open.ok) return open
  const fretMin = readNumber('fretMin', params.fretMin, 1, 1, 36)
  if (!fretMin.ok) return fretMin
  const fretMax = readNumber('fretMax', params.fretMax, Math.max(DEFAULT_FRET_MAX, fretMin.value), fretMin.value, 36)
  if (!fretMax.ok) return fretMax
  const span = params.span === undefined ? undefined : readNumber('span', params.span, 0, 0, 12)
  if (span && !span.ok) return span
  return ok({
    chord: slash === undefined ? { root, formula } : { root, formula, bass: slash },
    symbol,
    arrangement: arrangement.value,
    strings: strings?.value,
    bass: bass.value,
    top: top.value,
    omit: omit?.value,
    doubling: doubling.value === 'free' ? undefined : doubling.value === 'true',
    open: open.value,
    fretMin: fretMin.value,
    fretMax: fretMax.value,
    span: span?.value,
    tuning: other,
  })
}

/** Writes a build as fields; what is at its default is left away. `ownStrings`: how many the instrument has. */
export function writeBuild(build: Build, ownStrings: number): BuildParams {
  const strings = build.tuning?.strings.length ?? ownStrings
  const { arrangement, bass, top, omit, span } = build
  return {
    chord: writeSymbol(build.chord, { ascii: true }),
    ...(arrangement.kind === 'any' ? {} : { arrangement: writeArrangement(arrangement) }),
    ...(build.strings === undefined ? {} : { strings: writeStringSet(build.strings, strings).replaceAll(' ', ',') }),
    ...(bass === undefined ? {} : { bass }),
    ...(top === undefined ? {} : { top }),
    ...(omit === undefined ? {} : { omit: omit.length === 0 ? 'none' : omit.join(',') }),
    ...(build.doubling === undefined ? {} : { doubling: String(build.doubling) }),
    ...(build.open === 'never' ? {} : { open: build.open }),
    ...(build.fretMin === 1 ? {} : { fretMin: String(build.fretMin) }),
    ...(build.fretMax === DEFAULT_FRET_MAX ? {} : { fretMax: String(build.fretMax) }),
    ...(span === undefined ? {} : { span: String(span) }),
    ...(build.tuning === undefined ? {} : { tuning: writeTuning(build.tuning) }),
  }
}
