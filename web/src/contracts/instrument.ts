import { type Instrument, instrumentProblems, readTuning, TIMBRES, type Tuning, writeTuning } from '@nestling/core/neck'
import * as v from 'valibot'
import { instrumentWords, wordsOf } from '../words/errors.ts'
import { name, text, version } from './text.ts'

const number = v.pipe(v.number('a number'), v.finite('a number'))

/** An instrument as it is typed: the tuning as pitches, lowest first. Core reads the music in it. */
export const InstrumentDraft = v.strictObject({
  name: name(40),
  tuningName: v.pipe(v.string(), v.trim(), v.maxLength(40, 'at most 40 characters')),
  tuning: text(120),
  capo: v.nullable(
    v.strictObject({
      fret: v.pipe(number, v.integer('a whole fret')),
      strings: v.union([v.literal('all'), v.pipe(v.array(v.pipe(number, v.integer())), v.maxLength(10))]),
    }),
  ),
  frets: v.pipe(number, v.integer('a whole number of frets')),
  scaleLengthMm: number,
  spacingNutMm: number,
  spacingBridgeMm: number,
  lastReachableFret: v.pipe(number, v.integer('a whole fret')),
  handed: v.picklist(['right', 'left']),
  pluck: v.picklist(['pick', 'fingers', 'thumb-and-fingers']),
  timbre: v.optional(v.picklist(TIMBRES), 'steel'),
})
export type InstrumentDraft = v.InferOutput<typeof InstrumentDraft>

/** An instrument as its form holds it. */
export const draftOf = (instrument: Instrument): InstrumentDraft => ({
  name: instrument.name,
  tuningName: instrument.tuning.name,
  tuning: writeTuning(instrument.tuning),
  capo: instrument.capo
    ? {
        fret: instrument.capo.fret,
        strings: instrument.capo.strings === 'all' ? 'all' : [...instrument.capo.strings],
      }
    : null,
  frets: instrument.frets,
  scaleLengthMm: instrument.scaleLengthMm,
  spacingNutMm: instrument.spacingNutMm,
  spacingBridgeMm: instrument.spacingBridgeMm,
  lastReachableFret: instrument.lastReachableFret,
  handed: instrument.handed,
  pluck: instrument.pluck,
  timbre: instrument.timbre,
})

export const InstrumentEdit = v.strictObject({
  ...InstrumentDraft.entries,
  version,
})
export type InstrumentEdit = v.InferOutput<typeof InstrumentEdit>

export interface KeptInstrument extends Instrument {
  readonly id: number
  readonly version: number
}

export interface FieldProblem {
  readonly field: string
  readonly at: number
  readonly message: string
  readonly expected: string
}

/** The draft as an instrument, or everything that is wrong with it, each with its field. */
export function instrumentFrom(
  draft: InstrumentDraft,
):
  | { readonly ok: true; readonly value: Instrument }
  | { readonly ok: false; readonly problems: readonly [FieldProblem, ...FieldProblem[]] } {
  const { tuning: text, tuningName, capo, ...rest } = draft
  const tuning = readTuning(text, tuningName === '' ? {} : { name: tuningName })
  if (!tuning.ok) return { ok: false, problems: [{ field: 'tuning', at: tuning.error.at, ...wordsOf(tuning.error) }] }
  const instrument: Instrument = { ...rest, tuning: tuning.value, ...(capo === null ? {} : { capo }) }
  const problems = instrumentProblems(instrument).map((problem) => ({
    field: problem.field,
    at: 0,
    ...instrumentWords(problem),
  }))
  const [first, ...more] = problems
  return first ? { ok: false, problems: [first, ...more] } : { ok: true, value: instrument }
}

/** A tuning of the player's own. */
export const OwnTuningDraft = v.strictObject({ name: name(40), tuning: text(120) })
export type OwnTuningDraft = v.InferOutput<typeof OwnTuningDraft>

export interface OwnTuning extends Tuning {
  readonly id: number
}
