import * as v from 'valibot'

/** A shape on its way: what the tray and sets hold. Texts that core reads back. */
export const TrayShape = v.strictObject({
  /** Made by the page, so that a shape can be moved before the server has answered. */
  id: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
  chord: v.pipe(v.string(), v.minLength(1), v.maxLength(48)),
  shape: v.pipe(v.string(), v.minLength(4), v.maxLength(40)),
  tuning: v.pipe(v.string(), v.minLength(8), v.maxLength(60)),
})
export type TrayShape = v.InferOutput<typeof TrayShape>

export const MOST_IN_TRAY = 64

const setName = v.pipe(v.string(), v.trim(), v.maxLength(60, 'a name of at most 60 characters'))
const shapes = v.pipe(v.array(TrayShape), v.maxLength(MOST_IN_TRAY, `at most ${MOST_IN_TRAY} shapes`))

/** The tray as a whole: it is small, so a change sends all of it. */
export const TrayDraft = v.strictObject({
  name: setName,
  shapes,
  version: v.pipe(v.number(), v.integer(), v.minValue(0)),
})
export type TrayDraft = v.InferOutput<typeof TrayDraft>
export type Tray = TrayDraft

export const EMPTY_TRAY: Tray = { name: '', shapes: [], version: 0 }

/** A tray kept in the Book under a name. */
export const KeptSetDraft = v.strictObject({
  name: v.pipe(setName, v.minLength(1, 'a name of 1 to 60 characters')),
  shapes: v.pipe(shapes, v.minLength(1, 'a shape or more')),
})
export type KeptSetDraft = v.InferOutput<typeof KeptSetDraft>

export interface KeptSet extends KeptSetDraft {
  readonly id: number
  /** ISO 8601. */
  readonly createdAt: string
}
