import { dayNumber, dayText } from '@nestling/core/practice'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readLog, writeLog } from './address.ts'
import { daysAPoint, MOST_POINTS, pointsOf, ticksOf } from './points.ts'
import { runHref } from './practise.ts'
import { fullness, rootName, rootsInOrder } from './roots.ts'
import { PERIODS } from './types.ts'
import { rangeOf } from './useLogbook.ts'

test('the address is written as it was read', () =>
  fc.assert(
    fc.property(
      fc.record({
        period: fc.constantFrom(...PERIODS.map(String)),
        row: fc.constantFrom('m7 x0201x', '7 0x0123'),
        root: fc.constantFrom('0', '11'),
        cycle: fc.constantFrom('fourths', 'semitones'),
      }),
      (texts) => {
        const written = writeLog(readLog(texts))
        expect(writeLog(readLog(Object.fromEntries(new URLSearchParams(written.split('?')[1]))))).toBe(written)
      },
    ),
  ))
test('what is no day, no root and no period is left out', () =>
  expect(writeLog(readLog({ period: '5', days: '2026-11-09_2026-11-01', root: '12' }))).toBe('/logbook'))

describe('days', () => {
  test('four weeks end today, and brushed days hold instead', () => {
    expect(rangeOf({ period: 28, days: undefined }, '2026-11-26')).toEqual(['2026-10-30', '2026-11-26'])
    expect(rangeOf({ period: 28, days: ['2026-11-01', '2026-11-03'] }, '2026-11-26')).toEqual([
      '2026-11-01',
      '2026-11-03',
    ])
    expect(rangeOf({ period: 0, days: undefined }, '2026-11-26')[0]).toBeUndefined()
  })
})

test('an egg fills from 40 to the wished tempo', () =>
  expect([30, 40, 70, 100, 140].map((tempo) => fullness(tempo, 100))).toEqual([0, 0, 0.5, 1, 1]))

test('roots stand in a run’s own order, each once', () => {
  expect(rootsInOrder('fourths').map(rootName).join(' ')).toBe('E A D G C F Bb Eb Ab Db Gb B')
  for (const cycle of ['minor-thirds', 'whole-tones', 'semitones'] as const)
    expect(new Set(rootsInOrder(cycle)).size).toBe(12)
})

test('from an egg into its own run: its string, its root, once', () => {
  expect(runHref({ suffix: 'm7', string: 5 }, 'Ab', 66, true)).toBe(
    '/practice?material=m7&from=Ab&place=5&cycle=stay&tempo=66',
  )
  expect(runHref({ suffix: 'arpeggio m7', string: 5 }, 'E')).toBe('/practice?material=arpeggio+m7&from=E')
})

describe('points of the charts', () => {
  const day = (index: number) => dayText(dayNumber('2026-01-01') + index)
  const days = (count: number) =>
    Array.from({ length: count }, (_, index) => ({
      day: day(index),
      seconds: index % 3 === 0 ? 0 : 60,
      runs: 1,
      cards: 0,
    }))
  test('four weeks are a point a day, rest on the ground', () => {
    const points = pointsOf(days(28), [{ day: day(4), middle: 70, onRoot: undefined }])
    expect(points).toHaveLength(28)
    expect(points[3]).toMatchObject({ minutes: null, rest: 0 })
    expect(points[4]).toMatchObject({ minutes: 1, middle: 70, onRoot: null })
  })
  test('ten years are no more points than can be drawn, and nothing is lost of their minutes', () => {
    const all = days(3650)
    const points = pointsOf(all, [])
    expect(points.length).toBeLessThanOrEqual(MOST_POINTS)
    expect(points.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0)).toBeCloseTo(
      all.reduce((sum, { seconds }) => sum + seconds / 60, 0),
    )
    expect(points.at(-1)?.last).toBe(day(3649))
    expect(ticksOf(points, daysAPoint(3650)).length).toBeLessThanOrEqual(9)
  })
})
