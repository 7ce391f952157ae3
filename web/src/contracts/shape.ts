import * as v from 'valibot'
import { name, text, version } from './text.ts'

/** The four texts of a shape, as files, addresses and HTTP hold them. Core's `readShape` reads the music in them. */
export const shapeEntries = {
  chord: text(48),
  frets: text(40),
  tuning: text(80),
  /** The fingering that the player chose, lowest string first, `x` for none: `x1324x`. Empty: the best one. */
  fingers: v.optional(text(10), ''),
}
export const ShapeTexts = v.strictObject(shapeEntries)

/** What the Book keeps. */
export const KeptShapeDraft = v.strictObject({
  name: name(60),
  ...shapeEntries,
  note: v.optional(text(500), ''),
})
export type KeptShapeDraft = v.InferOutput<typeof KeptShapeDraft>

export const KeptShapeRename = v.strictObject({ name: name(60), version })
export type KeptShapeRename = v.InferOutput<typeof KeptShapeRename>

export interface KeptShape extends KeptShapeDraft {
  readonly id: number
  /** ISO 8601. */
  readonly createdAt: string
  readonly version: number
}
