/** A tune as it is kept: its chart and wishes as an address, and the shapes of the way through it. */
import * as v from 'valibot'
import { text } from './text.ts'

export const MOST_TUNE_CHORDS = 512

const chord = v.strictObject({
  symbol: text(48),
  /** `null` where it has no shape. */
  frets: v.nullable(text(60)),
})
export type TuneChord = v.InferOutput<typeof chord>

const entries = {
  title: v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'a name of 1 to 60 characters'),
    v.maxLength(60, 'a name of at most 60 characters'),
  ),
  query: text(24_000),
  chords: v.pipe(
    v.array(chord),
    v.minLength(1, 'a chord or more'),
    v.maxLength(MOST_TUNE_CHORDS, `at most ${MOST_TUNE_CHORDS} chords`),
  ),
  /** Lines of the file that it came from which a chart has no place for. */
  remarks: v.optional(text(4000), ''),
}
export const TuneDraft = v.strictObject(entries)
export type TuneDraft = v.InferOutput<typeof TuneDraft>

/** Over the version that is changed. */
export const TuneChange = v.strictObject({ ...entries, version: v.pipe(v.number(), v.integer(), v.minValue(1)) })
export type TuneChange = v.InferOutput<typeof TuneChange>

export interface KeptTune extends TuneDraft {
  readonly id: number
  readonly version: number
  /** ISO 8601. */
  readonly createdAt: string
}
