import { beforeEach, expect, test } from 'vitest'
import { pauseWords } from '../words/practice.ts'
import { givenWindow } from './given.testkit.ts'
import { PAUSE_MS, played, playedMinutes } from './playedTime.ts'

const MINUTE = 60_000
beforeEach(() => void givenWindow())

test('minutes add up while the hand plays, and a pause of five lets it begin anew', () => {
  expect(played(MINUTE, 10 * MINUTE)).toBe(1)
  expect(played(MINUTE, 11 * MINUTE)).toBe(2)
  expect(playedMinutes(12 * MINUTE)).toBe(2)
  expect(played(MINUTE, 15 * MINUTE)).toBe(3)
  expect(playedMinutes(15 * MINUTE + PAUSE_MS)).toBe(0)
  expect(played(MINUTE, 16 * MINUTE + PAUSE_MS)).toBe(1)
})

test('a pause is offered after twenty minutes, and the round ends after thirty', () => {
  expect(pauseWords(19.9)).toBeUndefined()
  expect(pauseWords(24.5)).toBe('24 minutes played. After this round, five for the hand.')
  expect(pauseWords(30)).toMatch(/^30 minutes played. The round ends here/)
})
