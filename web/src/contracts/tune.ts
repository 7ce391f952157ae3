/** A tune as it is kept: its title, its texts as core reads them, and what a file said besides. */
import { TUNE_FIELDS, type TuneField, type TuneTexts, tuneOfEarlier } from '@nestling/core/tune'
import * as v from 'valibot'
import { text } from './text.ts'

/** A shape for every chord of the longest tune. */
const MOST_TEXT = 48_000

const optionalText = () => v.optional(text(MOST_TEXT))
const fields = Object.fromEntries(TUNE_FIELDS.map((field) => [field, optionalText()])) as Record<
  TuneField,
  ReturnType<typeof optionalText>
>
const texts = v.strictObject({ ...fields, chart: text(MOST_TEXT) }) satisfies v.GenericSchema<TuneTexts>

/** Without what may stand around them: a version, an id. */
export const TUNE_ENTRIES = {
  title: v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'a name of 1 to 60 characters'),
    v.maxLength(60, 'a name of at most 60 characters'),
  ),
  tune: texts,
  /** Lines of the file that it came from which a chart has no place for. */
  remarks: v.optional(text(4000), ''),
}
/** What waits in a browser, or comes from a page that an upgrade found open, may be of an earlier form. */
const asNow = <Schema extends v.GenericSchema>(schema: Schema) =>
  v.pipe(
    v.unknown(),
    v.transform((row) => tuneOfEarlier(row, (query) => new URLSearchParams(query))),
    schema,
  )
export const TuneDraft = asNow(v.strictObject(TUNE_ENTRIES))
export type TuneDraft = v.InferOutput<typeof TuneDraft>

/** Over the version that is changed. */
export const TuneChange = asNow(
  v.strictObject({ ...TUNE_ENTRIES, version: v.pipe(v.number(), v.integer(), v.minValue(1)) }),
)
export type TuneChange = v.InferOutput<typeof TuneChange>

export interface KeptTune extends TuneDraft {
  readonly id: number
  readonly version: number
  /** ISO 8601. */
  readonly createdAt: string
}
