/** What `POST /api/path` takes; core reads the music in it. */
import { ENSEMBLES, MANNERS } from '@nestling/core/taste'
import { PATH_WEIGHTS } from '@nestling/core/tune'
import * as v from 'valibot'
import { text } from './text.ts'

const fret = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(24))
const weight = v.optional(v.pipe(v.number(), v.minValue(-100), v.maxValue(100)))

/** Shapes that are held, by the number of their chord from 0. */
const hold = v.optional(
  v.pipe(
    v.array(v.strictObject({ chord: v.pipe(v.number(), v.integer(), v.minValue(0)), frets: text(60) })),
    v.maxLength(512),
  ),
)
/** Top tones chord by chord, null where the top is free. */
const melody = v.optional(v.pipe(v.array(v.nullable(text(5))), v.maxLength(512)))

export const PathBody = v.strictObject({
  chart: text(20_000),
  key: v.optional(text(40)),
  strings: v.optional(v.pipe(v.array(text(24)), v.maxLength(60))),
  arrangements: v.optional(v.pipe(v.array(text(60)), v.maxLength(12))),
  fretMin: v.optional(fret),
  fretMax: v.optional(fret),
  manner: v.optional(v.picklist(MANNERS, MANNERS.join(', '))),
  ensemble: v.optional(v.picklist(ENSEMBLES, ENSEMBLES.join(', '))),
  school: v.optional(v.picklist(['drop-fifth', 'drop-root', 'shell'])),
  open: v.optional(v.picklist(['never', 'allow', 'require'])),
  loop: v.optional(v.boolean()),
  hold,
  melody,
  weights: v.optional(
    v.strictObject(
      Object.fromEntries(Object.keys(PATH_WEIGHTS).map((name) => [name, weight])) as Record<
        keyof typeof PATH_WEIGHTS,
        typeof weight
      >,
    ),
  ),
  k: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(20))),
  tuning: v.optional(text(120)),
})
export type PathBody = v.InferOutput<typeof PathBody>

/** What `POST /api/transpose` takes. */
export const TransposeBody = v.strictObject({
  chart: text(20_000),
  hold,
  melody,
  /** The other key, of the same kind: a tonic, or the whole key. */
  to: text(40),
  tuning: v.optional(text(120)),
})
