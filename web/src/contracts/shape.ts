import * as v from 'valibot'
import { id, name, text, version } from './text.ts'

/** The four texts of a shape, as files, addresses and HTTP hold them. Core's `readShape` reads the music in them. */
export const shapeEntries = {
  chord: text(48),
  frets: text(40),
  tuning: text(80),
  /** The fingering that the player chose, lowest string first, `x` for none: `x1324x`. Empty: the best one. */
  fingers: v.optional(text(10), ''),
}
export const ShapeTexts = v.strictObject(shapeEntries)

export const BOOK_ORDERS = ['tune', 'chord', 'newest', 'name'] as const

export const MOST_TAGS = 20
const tag = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(1, 'a word of 1 to 30 characters'),
  v.maxLength(30, 'a word of 1 to 30 characters'),
  v.regex(/^[^;,]*$/, 'a word without commas'),
)
const tags = v.pipe(
  v.array(tag),
  v.maxLength(MOST_TAGS, `at most ${MOST_TAGS} tags`),
  v.transform((all) => [...new Set(all)]),
)

/** What the Book keeps. */
export const KeptShapeDraft = v.strictObject({
  name: name(60),
  ...shapeEntries,
  note: v.optional(text(500), ''),
  /** The tune that it is kept under, by its number. */
  tune: v.optional(v.nullable(id), null),
  tags: v.optional(tags, []),
})
export type KeptShapeDraft = v.InferOutput<typeof KeptShapeDraft>

/** What is changed of a kept shape, over the version that was seen. */
export const KeptShapeChange = v.strictObject({
  name: v.optional(name(60)),
  note: v.optional(text(500)),
  tune: v.optional(v.nullable(id)),
  tags: v.optional(tags),
  version,
})
export type KeptShapeChange = v.InferOutput<typeof KeptShapeChange>

export interface KeptShape extends KeptShapeDraft {
  readonly id: number
  /** ISO 8601. */
  readonly createdAt: string
  readonly version: number
}

/** A shape that was kept, with others that are the same shape in the same tuning. */
export interface KeptShapeAnswer extends KeptShape {
  readonly same: readonly { readonly id: number; readonly name: string }[]
}

/** Which shapes of the Book are meant, and in what order. */
export const BookAsk = v.strictObject({
  find: v.optional(text(120), ''),
  by: v.optional(v.picklist(BOOK_ORDERS, BOOK_ORDERS.join(', ')), 'tune'),
  tag: v.optional(text(30)),
  /** Of one tune, or `none`. */
  tune: v.optional(
    v.union([v.pipe(v.string(), v.regex(/^\d{1,12}$/)), v.literal('none')], 'the number of a tune, or none'),
  ),
  /** In one of these tunings, with `;` between them. */
  tuning: v.optional(text(400)),
})
export type BookAsk = v.InferOutput<typeof BookAsk>

const MOST_PICKED = 4000
/** Many shapes at once: those that are listed, or all that a question means. */
export const ShapesChange = v.strictObject({
  ids: v.optional(v.pipe(v.array(id), v.maxLength(MOST_PICKED, `at most ${MOST_PICKED} at once`))),
  all: v.optional(BookAsk),
  act: v.variant('kind', [
    v.strictObject({ kind: v.literal('delete') }),
    v.strictObject({ kind: v.literal('move'), tune: v.nullable(id) }),
    v.strictObject({ kind: v.literal('tag'), tag }),
    v.strictObject({ kind: v.literal('untag'), tag }),
  ]),
})
export type ShapesChange = v.InferOutput<typeof ShapesChange>

/** A window of the Book's shapes. */
export interface BookShapes {
  /** All that the question means, in the window or not. */
  readonly total: number
  readonly from: number
  readonly shapes: readonly KeptShape[]
  /** By tune, in the order of the list: how many of each. Empty when it is in another order. */
  readonly groups: readonly { readonly tune: number | null; readonly count: number }[]
}
