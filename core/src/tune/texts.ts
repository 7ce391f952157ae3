/**
 * A tune in texts, a field each.
 *   Tune ─writeTune→ TuneTexts ─readTune→ the same tune, and what could not be read
 * The same texts are an address (`?chart=…&hold=…`), a JSON object and what the database keeps.
 */
import { patternOf, playedChart, readChart, writeChart } from '../chart/index.ts'
import { writeSymbol } from '../chord/index.ts'
import {
  MOST_STRINGS,
  readKnownTuning,
  readStringSet,
  stringIndex,
  stringNumber,
  type Tuning,
  writeStringSet,
  writeTuning,
} from '../neck/index.ts'
import { piece, remembered } from '../result/index.ts'
import { MANNERS } from '../taste/index.ts'
import { BASS_LINES, readPattern, writePattern } from '../time/index.ts'
import { type Frets, readFrets, writeFrets } from '../voicing/index.ts'
import type { PathWeights, Tune, TuneError, TuneField, TuneTexts, TuneWishes } from './types.ts'
import { PATH_WEIGHTS, TUNE_WISHES } from './usual.ts'

const OPEN = ['never', 'allow'] as const
const SCHOOLS = ['shell', 'drop-root', 'drop-fifth'] as const
const WAYS = {
  stream: { stream: true },
  top: { topStepwise: true },
  rising: { bassLine: 'rising' },
  falling: { bassLine: 'falling' },
} as const satisfies Readonly<Record<string, Partial<TuneWishes>>>
const WEIGHTS = Object.keys(PATH_WEIGHTS) as readonly (keyof PathWeights)[]
/** More chords than any tune has. */
const MOST_CHORDS = 4096
const LAST_FRET = 36
/** A Book of so many tunes is read once. */
const REMEMBERED = 2000
/** In a way, where a chord has none. */
const NO_SHAPE = 'none'

const whole = (text: string | undefined, least: number, most: number): number | undefined => {
  const number = Number(text)
  return text && Number.isInteger(number) && number >= least && number <= most ? number : undefined
}

/** @param own The instrument's tuning, which a tune that names none was made for; without it as many strings as there can be. */
export function readTune(
  texts: TuneTexts,
  own?: Tuning,
): { readonly tune: Tune; readonly errors: readonly TuneError[] } {
  const errors: TuneError[] = []
  /** Reads a field's pieces, one after another; one that is wrong is told, and its place stays. */
  const places = <Value>(
    field: TuneField,
    read: (text: string) => Value | undefined,
  ): readonly (Value | undefined)[] => {
    let at = 0
    return (
      (texts[field] || undefined)?.split(',').map((one) => {
        const value = read(one)
        if (value === undefined) errors.push({ field, code: 'not_in_a_tune', at, text: piece(one) })
        at += one.length + 1
        return value
      }) ?? []
    )
  }
  const pieces = <Value>(field: TuneField, read: (text: string) => Value | undefined): readonly Value[] =>
    places(field, read).flatMap((value) => (value === undefined ? [] : [value]))
  const one = <Value>(field: TuneField, read: (text: string) => Value | undefined): Value | undefined => {
    const text = texts[field]
    const value = text === undefined ? undefined : read(text)
    if (text !== undefined && value === undefined)
      errors.push({ field, code: 'not_in_a_tune', at: 0, text: piece(text) })
    return value
  }
  const listed = <Value>(values: readonly Value[]) => (values.length > 0 ? values : undefined)

  const { chart, errors: slips } = readChart(texts.chart)
  for (const slip of slips) errors.push({ field: 'chart', ...slip })
  const stated = texts.tuning === undefined ? undefined : readKnownTuning(texts.tuning)
  if (stated?.ok === false) errors.push({ field: 'tuning', ...stated.error })
  const tuning = stated?.ok ? stated.value : undefined
  const strings = (tuning ?? own)?.strings.length
  const most = strings ?? MOST_STRINGS
  const string = (text: string): number | undefined => {
    const number = whole(text, 1, most)
    return number === undefined ? undefined : stringIndex(number, most)
  }
  const fretsIn = (text: string): Frets | undefined => {
    const read = readFrets(text, strings)
    return read.ok ? read.value : undefined
  }
  const between = one('frets', (text) => {
    const [, least, last] = /^(\d+)-(\d+)$/.exec(text) ?? []
    const fretMin = whole(least, 1, LAST_FRET)
    const fretMax = whole(last, fretMin ?? 1, LAST_FRET)
    return fretMin === undefined || fretMax === undefined ? undefined : { fretMin, fretMax }
  })
  const pattern = one('hand', (text) => {
    const read = readPattern(text.replaceAll('_', ' '))
    return read.ok ? writePattern(read.value) : undefined
  })
  const weights = pieces('weights', (text) => {
    const [name = '', value = ''] = text.split(':')
    const known = WEIGHTS.find((weight) => weight === name)
    const number = Number(value)
    return known && value !== '' && Math.abs(number) <= 100 ? ([known, number] as const) : undefined
  })
  const ways = pieces('ways', (text) => (Object.hasOwn(WAYS, text) ? WAYS[text as keyof typeof WAYS] : undefined))
  const bass = one('line', (text) => BASS_LINES.find((line) => line === text)) ?? 'roots'
  return {
    tune: {
      chart,
      wishes: Object.assign(
        {
          ...TUNE_WISHES,
          ...between,
          manner: one('manner', (text) => MANNERS.find((manner) => manner === text)),
          strings: listed(
            pieces('strings', (text) => {
              const read = readStringSet(text.replaceAll('.', ' '), most)
              return read.ok ? read.value : undefined
            }),
          ),
          voices: one('voices', (text) => whole(text, 2, most)),
          open: one('open', (text) => OPEN.find((open) => open === text)),
          school: one('leaving', (text) => SCHOOLS.find((school) => school === text)),
          roots: listed(pieces('roots', string)),
          aboveBass: one('bass', (text) => (text === 'free' ? true : undefined)) ?? false,
        },
        ...ways,
      ),
      weights: { ...PATH_WEIGHTS, ...Object.fromEntries(weights) },
      loop: one('loop', (text) => (text === '0' ? 0 : undefined)) === undefined,
      held: pieces('hold', (text) => {
        const [place, shape = ''] = text.split(':')
        const [chord, frets] = [whole(place, 1, MOST_CHORDS), fretsIn(shape)]
        return chord !== undefined && frets ? { chord: chord - 1, frets } : undefined
      }),
      melody: pieces('top', (text) => {
        const [place, tone] = text.split(':')
        const [chord, midi] = [whole(place, 1, MOST_CHORDS), whole(tone, 0, 127)]
        return chord !== undefined && midi !== undefined ? { chord: chord - 1, midi } : undefined
      }),
      pattern: pattern ?? patternOf(chart),
      bass,
      tuning,
      way: places('way', (text) => (text === NO_SHAPE ? NO_SHAPE : fretsIn(text))).map((frets) =>
        frets === NO_SHAPE ? undefined : frets,
      ),
    },
    errors,
  }
}

/** Only what differs from the usual; the chart always. @param own As for `readTune`. */
export function writeTune(tune: Tune, own: Tuning): TuneTexts {
  const { chart, wishes, weights, tuning } = tune
  const strings = (tuning ?? own).strings.length
  const usual = patternOf(chart)
  const texts: Readonly<Record<TuneField, string | undefined>> = {
    chart: writeChart(chart),
    manner: wishes.manner,
    strings: wishes.strings?.map((set) => writeStringSet(set, strings).replaceAll(' ', '.')).join(','),
    voices: wishes.voices?.toString(),
    frets:
      wishes.fretMin === TUNE_WISHES.fretMin && wishes.fretMax === TUNE_WISHES.fretMax
        ? undefined
        : `${wishes.fretMin}-${wishes.fretMax}`,
    open: wishes.open,
    leaving: wishes.school,
    roots: wishes.roots?.map((string) => stringNumber(string, strings)).join(','),
    ways: [wishes.stream ? 'stream' : '', wishes.topStepwise ? 'top' : '', wishes.bassLine ?? '']
      .filter(Boolean)
      .join(','),
    bass: wishes.aboveBass ? 'free' : undefined,
    weights: WEIGHTS.filter((name) => weights[name] !== PATH_WEIGHTS[name])
      .map((name) => `${name}:${weights[name]}`)
      .join(','),
    loop: tune.loop ? undefined : '0',
    hold: tune.held.map(({ chord, frets }) => `${chord + 1}:${writeFrets(frets)}`).join(','),
    top: tune.melody.map(({ chord, midi }) => `${chord + 1}:${midi}`).join(','),
    hand: tune.pattern === usual ? undefined : tune.pattern.replaceAll(' ', '_'),
    line: tune.bass === 'roots' ? undefined : tune.bass,
    tuning: tuning && writeTuning(tuning),
    way: tune.way.some(Boolean) ? tune.way.map((frets) => (frets ? writeFrets(frets) : NO_SHAPE)).join(',') : undefined,
  }
  return Object.fromEntries(Object.entries(texts).filter(([field, text]) => text || field === 'chart')) as TuneTexts
}

export interface TuneChord {
  readonly symbol: string
  /** `null` where it has no shape. */
  readonly frets: string | null
}

/** The chords as they are played, with the shapes of the way that was kept. */
export function chordsOf({ chart, way = '' }: TuneTexts): readonly TuneChord[] {
  const frets = way.split(',')
  return symbolsOf(chart).map((symbol, index) => {
    const shape = frets[index]
    return { symbol, frets: shape && shape !== NO_SHAPE ? shape : null }
  })
}
const symbolsOf = remembered(
  (chart) => playedChart(readChart(chart).chart).chords.map(({ chord }) => writeSymbol(chord, { ascii: true })),
  REMEMBERED,
)
