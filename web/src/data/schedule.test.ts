import { GRADES } from '@nestling/core/practice'
import fc from 'fast-check'
import { createEmptyCard, fsrs, Rating } from 'ts-fsrs'
import { expect, test } from 'vitest'
import { isLost, isNew, scheduleOf } from './schedule.ts'

const RATING = { lost: Rating.Again, hard: Rating.Hard, had: Rating.Good, easy: Rating.Easy } as const
const DAY_MS = 24 * 3600_000
const answers = fc.array(
  fc.record({ at: fc.integer({ min: 1, max: 400 }).map((day) => day * DAY_MS), grade: fc.constantFrom(...GRADES) }),
  { maxLength: 12 },
)

test('the schedule is the library’s own for the same grades, in whatever order they arrive', () =>
  fc.assert(
    fc.property(answers, fc.nat(), (all, seed) => {
      const library = fsrs({ enable_fuzz: false })
      let card = createEmptyCard(new Date(0))
      for (const { at, grade } of all.toSorted((a, b) => a.at - b.at))
        card = library.next(card, new Date(at), RATING[grade]).card
      // Answers of one moment stay in their order; all others may come from anywhere.
      const turned = all
        .map((one, index) => ({ one, key: one.at, index }))
        .toSorted((a, b) => (a.key === b.key ? a.index - b.index : seed % 2 ? b.key - a.key : a.key - b.key))
      const schedule = scheduleOf(
        0,
        turned.map(({ one }) => one),
      )
      expect(schedule).toMatchObject({
        dueAt: card.due.getTime(),
        stability: card.stability,
        difficulty: card.difficulty,
        reps: card.reps,
        lapses: card.lapses,
        state: card.state,
      })
    }),
  ))

test('a card is new before its first answer, and lost after one that was lost later on', () => {
  expect(isNew(scheduleOf(0, []))).toBe(true)
  const known = [
    { at: DAY_MS, grade: 'easy' },
    { at: 20 * DAY_MS, grade: 'had' },
  ] as const
  expect(isLost(scheduleOf(0, known))).toBe(false)
  expect(isLost(scheduleOf(0, [...known, { at: 40 * DAY_MS, grade: 'lost' }]))).toBe(true)
})

test('an answer older than its card counts as well: clocks of two pages differ', () =>
  expect(scheduleOf(DAY_MS, [{ at: 0, grade: 'had' }]).reps).toBe(1))
