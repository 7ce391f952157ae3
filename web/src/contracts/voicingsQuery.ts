import * as v from 'valibot'

const text = (most: number) => v.pipe(v.string(), v.maxLength(most, `at most ${most} characters`))

export const ChordQuery = v.strictObject({ symbol: text(5000) })

/** Every field as it stands in the address; core reads the music in it. */
export const VoicingsQuery = v.strictObject({
  chord: text(5000),
  strings: v.optional(text(30)),
  arrangement: v.optional(text(60)),
  bass: v.optional(text(4)),
  top: v.optional(text(4)),
  omit: v.optional(text(40)),
  doubling: v.optional(text(8)),
  open: v.optional(text(8)),
  fretMin: v.optional(text(4)),
  fretMax: v.optional(text(4)),
  span: v.optional(text(4)),
  tuning: v.optional(text(80)),
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
