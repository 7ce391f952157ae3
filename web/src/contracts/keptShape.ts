import * as v from 'valibot'

const name = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(1, 'a name of 1 to 60 characters'),
  v.maxLength(60, 'a name of 1 to 60 characters'),
)

/** What the Book keeps. `chord`, `shape` and `tuning` are texts that core reads back. */
export const KeptShapeDraft = v.strictObject({
  name,
  chord: v.pipe(v.string(), v.minLength(1), v.maxLength(48)),
  shape: v.pipe(v.string(), v.minLength(4), v.maxLength(40)),
  tuning: v.pipe(v.string(), v.minLength(8), v.maxLength(60)),
  /** The fingering that the player chose, lowest string first, `x` for none: `x1324x`. Empty: the best one. */
  fingers: v.optional(v.pipe(v.string(), v.regex(/^[xT1-4]{0,10}$/, 'fingers such as x1324x')), ''),
  note: v.optional(v.pipe(v.string(), v.maxLength(500)), ''),
})
export type KeptShapeDraft = v.InferOutput<typeof KeptShapeDraft>

export const KeptShapeRename = v.strictObject({ name, version: v.pipe(v.number(), v.integer(), v.minValue(1)) })
export type KeptShapeRename = v.InferOutput<typeof KeptShapeRename>

export interface KeptShape extends KeptShapeDraft {
  readonly id: number
  /** ISO 8601. */
  readonly createdAt: string
  readonly version: number
}
