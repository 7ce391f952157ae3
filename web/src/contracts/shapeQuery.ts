import * as v from 'valibot'

const text = (most: number) => v.pipe(v.string(), v.maxLength(most, `at most ${most} characters`))

/** A shape on a neck; core reads the music in it. */
const shape = { frets: text(60), tuning: v.optional(text(80)) }

export const NamesQuery = v.strictObject({ ...shape, bass: v.optional(text(8)), key: v.optional(text(20)) })
export const CheckQuery = v.strictObject({ ...shape, symbol: text(5000) })
export const NeighboursQuery = v.strictObject({
  ...shape,
  symbol: v.optional(text(5000)),
  tones: v.optional(v.picklist(['1', '2'], '1 or 2'), '1'),
})
