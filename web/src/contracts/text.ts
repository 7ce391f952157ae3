/** Pieces that the schemas share. */
import * as v from 'valibot'

/** Half a character (a surrogate without its other half) can be kept by nothing as it is. */
const whole = v.check((given: string) => !/\p{Surrogate}/u.test(given), 'whole characters')

export const text = (most: number) => v.pipe(v.string(), v.maxLength(most, `at most ${most} characters`), whole)

export const name = (most: number) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, `a name of 1 to ${most} characters`),
    v.maxLength(most, `a name of 1 to ${most} characters`),
    whole,
  )

export const version = v.pipe(v.number(), v.integer(), v.minValue(1))

/** The number of something that is kept. */
export const id = v.pipe(v.number(), v.integer(), v.minValue(1, 'the number of something that is kept'))
