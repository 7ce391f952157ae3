import * as v from 'valibot'

const text = (most: number) => v.pipe(v.string(), v.maxLength(most, `at most ${most} characters`))
const whole = (name: string) =>
  v.pipe(v.string(), v.regex(/^\d{1,2}$/, `${name} as a whole number`), v.transform(Number))

/** Every field as it stands in the address; core reads the music in it. */
export const ArpeggioQuery = v.strictObject({
  chord: text(5000),
  position: v.optional(whole('a fret'), '5'),
  way: v.optional(v.picklist(['position', 'diagonal', 'one-string', 'two-a-string']), 'position'),
  /** 1 for the highest string. */
  string: v.optional(whole('a string')),
  octaves: v.optional(v.pipe(whole('octaves'), v.minValue(1, 'at least 1'), v.maxValue(4, 'at most 4')), '2'),
  from: v.optional(text(8), 'R'),
  direction: v.optional(v.picklist(['up', 'down', 'up-down', 'round']), 'up'),
  pattern: v.optional(v.picklist(['straight', 'broken', 'threes', 'fours']), 'straight'),
  tuning: v.optional(text(80)),
})
