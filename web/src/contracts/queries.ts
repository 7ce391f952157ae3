/** The queries of the HTTP interface: every field as it stands in the address; core reads the music in it. */

import { DEPTH_SCHOOLS, DEPTHS } from '@nestling/core/key'
import { LANE_ARRANGEMENTS } from '@nestling/core/lane'
import { CYCLES } from '@nestling/core/practice'
import { QUESTION_FIELDS, type QuestionField } from '@nestling/core/request'
import { ENSEMBLES, MANNERS } from '@nestling/core/taste'
import * as v from 'valibot'
import { text } from './text.ts'

const whole = (name: string) =>
  v.pipe(v.string(), v.regex(/^\d{1,2}$/, `${name} as a whole number`), v.transform(Number))

const SYMBOL = text(QUESTION_FIELDS.chord)
const TUNING = v.optional(text(QUESTION_FIELDS.tuning))

export const ChordQuery = v.strictObject({ symbol: SYMBOL })

/** The same fields as the page's address, defined once in core. */
const optionalFields = Object.fromEntries(
  Object.entries(QUESTION_FIELDS).map(([field, most]) => [field, v.optional(text(most))]),
) as Record<QuestionField, v.OptionalSchema<ReturnType<typeof text>, undefined>>

const PITCH = v.optional(text(5))

export const VoicingsQuery = v.strictObject({
  ...optionalFields,
  chord: SYMBOL,
  /** Pitches: the very one on top, the lowest and the highest that may sound. */
  topPitch: PITCH,
  lowest: PITCH,
  highest: PITCH,
  /** How it is played, and with whom: the shapes then come in the order in which such a player takes them. */
  manner: v.optional(v.picklist(MANNERS, MANNERS.join(', '))),
  ensemble: v.optional(v.picklist(ENSEMBLES, ENSEMBLES.join(' or '))),
  limit: v.optional(
    v.pipe(
      v.string(),
      v.regex(/^\d{1,5}$/, 'a whole number from 1 to 20000'),
      v.transform(Number),
      v.minValue(1),
      v.maxValue(20_000),
    ),
    '500',
  ),
})

/** A shape on a neck. */
const shape = { frets: text(60), tuning: TUNING }

export const NamesQuery = v.strictObject({
  ...shape,
  bass: v.optional(text(8)),
  key: v.optional(text(40)),
  /** What it is said to be: kept first where the shape can be it, its root sounded or not. */
  symbol: v.optional(SYMBOL),
})
export const CheckQuery = v.strictObject({ ...shape, symbol: SYMBOL })
export const NeighboursQuery = v.strictObject({
  ...shape,
  symbol: v.optional(SYMBOL),
  tones: v.optional(v.picklist(['1', '2'], '1 or 2'), '1'),
})

export const ArpeggioQuery = v.strictObject({
  chord: SYMBOL,
  position: v.optional(whole('a fret'), '5'),
  way: v.optional(v.picklist(['position', 'diagonal', 'one-string', 'two-a-string']), 'position'),
  /** 1 for the highest string. */
  string: v.optional(whole('a string')),
  octaves: v.optional(v.pipe(whole('octaves'), v.minValue(1, 'at least 1'), v.maxValue(4, 'at most 4')), '2'),
  from: v.optional(text(8), 'R'),
  direction: v.optional(v.picklist(['up', 'down', 'up-down', 'round']), 'up'),
  pattern: v.optional(v.picklist(['straight', 'broken', 'threes', 'fours']), 'straight'),
  tuning: TUNING,
})

const KEY_FIELDS = {
  tonic: text(8),
  scale: v.optional(text(40), 'major'),
  depth: v.optional(v.picklist(DEPTHS), 'sevenths'),
  school: v.optional(v.picklist(DEPTH_SCHOOLS), 'honest'),
}
export const KeyQuery = v.strictObject(KEY_FIELDS)

export const LaneQuery = v.strictObject({
  ...KEY_FIELDS,
  root: v.optional(text(20)),
  strings: v.optional(text(20)),
  arrangement: v.optional(v.picklist(LANE_ARRANGEMENTS)),
  order: v.optional(text(24)),
  forms: v.optional(v.picklist(['1', '2', '3', '4'])),
  tones: v.optional(text(40)),
  ring: v.optional(text(20)),
  /** Strings that are told to be silent: those that nothing else is said of are anyway. */
  silent: v.optional(text(20)),
  tuning: TUNING,
  fretMax: v.optional(v.pipe(whole('a fret'), v.minValue(5, 'at least 5'), v.maxValue(24, 'at most 24')), '17'),
})

export const BetweenQuery = v.strictObject({ from: SYMBOL, to: SYMBOL, key: v.optional(text(40)) })

export const KeyOfQuery = v.strictObject({ chart: text(20_000) })

export const NumbersQuery = v.strictObject({
  key: text(40),
  text: text(400),
  depth: v.optional(v.picklist(DEPTHS), 'triads'),
})

export const RUN_PLACES = ['6-and-5', '5-and-6', 'nearest', '6', '5', '4'] as const
export const RunQuery = v.strictObject({
  /** What stands behind the root in a symbol (nothing for a major triad), `arpeggio m7`, or shapes: `Fm9=x8688x,Bbm7=6x666x`. */
  material: v.optional(text(2000), 'm7'),
  cycle: v.optional(v.picklist(CYCLES), 'fourths'),
  from: v.optional(text(8), 'E'),
  place: v.optional(v.picklist(RUN_PLACES), '6-and-5'),
  /** How the grips of a chord are played, and with whom; without both its tones lie in their usual orders. */
  manner: v.optional(v.picklist(MANNERS, MANNERS.join(', '))),
  ensemble: v.optional(v.picklist(ENSEMBLES, ENSEMBLES.join(', '))),
  /** The other way round. */
  down: v.optional(v.picklist(['true', 'false'], 'true or false'), 'false'),
  /** A cycle that closes early goes on a semitone lower. */
  all: v.optional(v.picklist(['true', 'false'], 'true or false'), 'false'),
  /** Of a shuffle: the same seed gives the same order. */
  seed: v.optional(v.pipe(v.string(), v.regex(/^\d{1,9}$/, 'a whole number'), v.transform(Number)), '1'),
})
