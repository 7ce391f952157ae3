/** Practice over HTTP: what is answered, asked, corrected and listed. */
import { STANDARD_TUNING, writeTuning } from '@nestling/core/neck'
import {
  type HomeRow,
  JUDGES,
  LOG_GRADES,
  type LogDay,
  type LogEntry,
  type TempoDay,
  type Weak,
} from '@nestling/core/practice'
import * as v from 'valibot'
import { text, version } from './text.ts'

export const DAY = v.pipe(
  v.string(),
  v.regex(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'a day such as 2026-11-23'),
)
const id = v.pipe(v.string(), v.regex(/^[\w-]{8,64}$/, 'an id of 8 to 64 letters, digits and dashes'))
const moment = v.pipe(v.string(), v.isoTimestamp('a time such as 2026-11-23T18:05:00.000Z'))
const whole = (least: number, most: number) =>
  v.pipe(
    v.number(),
    v.integer('a whole number'),
    v.minValue(least, `at least ${least}`),
    v.maxValue(most, `at most ${most}`),
  )

/** The longest that one root or one card may take: what is longer was a page left open. */
export const MOST_SECONDS = 600

export const RunDraft = v.strictObject({
  id,
  /** The Practice view's address without its beginning. */
  query: text(4000),
  title: v.optional(text(60), ''),
  startedAt: moment,
})
export type RunDraft = v.InferOutput<typeof RunDraft>

/** One root of a run, or one card. Sent again with the same id it is kept once. */
export const AttemptDraft = v.strictObject({
  id,
  kind: v.picklist(['run', 'card'], 'run or card'),
  /** Of a run's root: the run that it belongs to. */
  run: v.optional(v.nullable(RunDraft), null),
  /** The card's text, `play|Cmaj7|x3545x|Eb`; a root of a run may answer its card as well. */
  card: v.optional(text(200), ''),
  at: moment,
  day: DAY,
  material: text(2000),
  suffix: v.optional(text(40), ''),
  root: v.optional(text(4), ''),
  /** The number of the root's string, 1 the highest; 0 where nothing is held. */
  string: v.optional(whole(0, 12), 0),
  frets: v.optional(text(60), ''),
  tuning: v.optional(text(80), writeTuning(STANDARD_TUNING)),
  tempo: v.optional(whole(0, 300), 0),
  grade: v.picklist(LOG_GRADES, LOG_GRADES.join(', ')),
  judge: v.optional(v.picklist(JUDGES, JUDGES.join(', ')), 'player'),
  shown: v.optional(v.boolean(), false),
  seconds: v.pipe(v.number(), v.minValue(0, 'at least 0'), v.maxValue(MOST_SECONDS, `at most ${MOST_SECONDS}`)),
  faults: v.optional(v.pipe(v.string(), v.regex(/^(\d{1,2}:(\+1|-1|0|r)( |$))*$/, 'faults such as 3:+1 6:r')), ''),
  instrument: v.optional(text(60), ''),
})
export type AttemptDraft = v.InferOutput<typeof AttemptDraft>

/** What is put right afterwards. */
export const AttemptChange = v.strictObject({
  grade: v.optional(v.picklist(LOG_GRADES, LOG_GRADES.join(', '))),
  tempo: v.optional(whole(0, 300)),
  version,
})
export type AttemptChange = v.InferOutput<typeof AttemptChange>

/** An entry of the logbook as it is listed. */
export interface KeptAttempt extends Omit<LogEntry, 'at' | 'root'> {
  /** ISO 8601. */
  readonly at: string
  readonly root: string
  readonly tuning: string
  readonly run: string | null
  readonly card: string
  readonly version: number
}

export interface KeptAttemptAnswer {
  readonly attempt: KeptAttempt
  /** When its card is asked next; `null` without a card. ISO 8601. */
  readonly due: string | null
}

const MOST_NEW_CARDS = 200
/** Cards made from a material, to be asked from now on. */
export const CardsDraft = v.strictObject({
  material: text(2000),
  title: v.optional(text(60), ''),
  tuning: v.optional(text(80), writeTuning(STANDARD_TUNING)),
  cards: v.pipe(
    v.array(text(200)),
    v.minLength(1, 'a card or more'),
    v.maxLength(MOST_NEW_CARDS, `at most ${MOST_NEW_CARDS} cards`),
  ),
})
export type CardsDraft = v.InferOutput<typeof CardsDraft>

/** A card with its schedule. */
export interface DueCard {
  readonly id: string
  readonly card: string
  readonly tuning: string
  /** What it was made from. */
  readonly material: string
  readonly title: string
  /** ISO 8601. */
  readonly due: string
  readonly isNew: boolean
  readonly isLost: boolean
  readonly times: number
}

export interface DueAnswer {
  readonly date: string
  readonly rest: boolean
  readonly cards: readonly DueCard[]
  readonly lost: number
  readonly due: number
  readonly new: number
  /** Beyond the day's limits. */
  readonly later: number
  /** All cards that there are. */
  readonly total: number
  /** About how long they take. */
  readonly minutes: number
}

export const DueQuery = v.strictObject({
  date: DAY,
  /** The last moment of that day where the player is; without it, midnight in Greenwich. */
  ends: v.optional(moment),
})
export type DueAsk = v.InferOutput<typeof DueQuery>
export const LogQuery = v.strictObject({
  from: v.optional(DAY),
  to: v.optional(DAY),
  instrument: v.optional(text(60)),
  material: v.optional(text(2000)),
  format: v.optional(v.picklist(['json', 'csv'], 'json or csv'), 'json'),
})
export const SummaryQuery = v.strictObject({
  /** Without it, from the first day that was played. */
  from: v.optional(DAY),
  to: DAY,
  instrument: v.optional(text(60)),
  material: v.optional(text(2000)),
  /** The shape that is looked at, and the root as a pitch class. */
  row: v.optional(text(120)),
  root: v.optional(v.pipe(v.string(), v.regex(/^(\d|10|11)$/, 'a pitch class from 0 to 11'))),
})
export type SummaryAsk = v.InferOutput<typeof SummaryQuery>

/** What the logbook shows. */
export interface LogSummary {
  readonly rows: readonly HomeRow[]
  /** The shape that is looked at; `undefined` where nothing was played. */
  readonly row: string | undefined
  readonly root: number
  readonly days: readonly LogDay[]
  readonly tempo: readonly TempoDay[]
  readonly weak: readonly Weak[]
  /** That shape on that root, the newest first, and how many there are. */
  readonly own: readonly KeptAttempt[]
  readonly ownTotal: number
  readonly total: number
  readonly instruments: readonly string[]
  readonly materials: readonly string[]
}

export type LogAsk = Omit<v.InferOutput<typeof LogQuery>, 'format'>
