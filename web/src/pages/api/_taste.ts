import type { Taste } from '@nestling/core/taste'
import { TASTE_WORDS } from '../../words/taste.ts'

/** Each term in words; rounded, they add up to the total within a hundredth each. */
export const tasteTold = ({ total, parts }: Taste) => ({
  total: hundredths(total),
  terms: parts.map(({ term, value }) => ({ term, words: TASTE_WORDS[term], value: hundredths(value) })),
})
const hundredths = (value: number): number => Math.round(value * 100) / 100
