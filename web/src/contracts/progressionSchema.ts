/** What is checked of a tray or set; apart from `progression.ts`, so that pages need not load the library that checks. */
import * as v from 'valibot'
import { FASTEST, MOST_STEPS, SLOWEST } from './limits.ts'
import { ShapeTexts } from './shape.ts'
import { text } from './text.ts'

const MOST_BEATS = 64

export const StepTexts = v.strictObject({
  /** Made by the page, so that a step can be moved before the server has answered. */
  id: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
  beats: v.pipe(v.number(), v.minValue(0.25, 'at least 0.25'), v.maxValue(MOST_BEATS, `at most ${MOST_BEATS}`)),
  chord: text(48),
  shape: v.nullable(ShapeTexts),
  held: v.boolean(),
})
export type StepTexts = v.InferOutput<typeof StepTexts>

const steps = v.pipe(
  v.array(StepTexts),
  v.maxLength(MOST_STEPS, `at most ${MOST_STEPS} shapes`),
  v.check((all) => new Set(all.map(({ id }) => id)).size === all.length, 'each step with an id of its own'),
)
const entries = {
  title: v.pipe(v.string(), v.trim(), v.maxLength(60, 'a name of at most 60 characters')),
  /** `Bb major`; empty when none is given. */
  key: v.optional(text(40), ''),
  metre: v.optional(text(8), '4/4'),
  tempoBpm: v.optional(v.pipe(v.number(), v.integer(), v.minValue(SLOWEST), v.maxValue(FASTEST)), 80),
  steps,
}

/** The current progression as a whole: it is small, so a change sends all of it. */
export const TrayDraft = v.strictObject({ ...entries, version: v.pipe(v.number(), v.integer(), v.minValue(0)) })
export type TrayDraft = v.InferOutput<typeof TrayDraft>

/** A progression kept in the Book under a name. */
export const KeptSetDraft = v.strictObject({
  ...entries,
  title: v.pipe(entries.title, v.minLength(1, 'a name of 1 to 60 characters')),
  steps: v.pipe(steps, v.minLength(1, 'a shape or more')),
})
export type KeptSetDraft = v.InferOutput<typeof KeptSetDraft>
