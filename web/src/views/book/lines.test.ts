import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readBook, writeBook } from './address.ts'
import { linesOf, placesOf } from './lines.ts'

test('every shape stands in one line, in order, whatever the groups and the width', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 30 }), { maxLength: 12 }),
      fc.integer({ min: 1, max: 6 }),
      (counts, perLine) => {
        const groups = counts.map((count, tune) => ({ tune, count }))
        const total = counts.reduce((sum, count) => sum + count, 0)
        const lines = linesOf({ total, groups }, perLine)
        const places = lines.flatMap(placesOf)
        let next = 0
        for (const [from, count] of places) {
          expect(from).toBe(next)
          expect(count).toBeLessThanOrEqual(perLine)
          next += count
        }
        expect(next).toBe(total)
        const told = lines.flatMap((line) =>
          line.kind === 'head' ? [line.tune] : line.kind === 'pair' ? line.groups.map(({ tune }) => tune) : [],
        )
        expect(told).toEqual(groups.map(({ tune }) => tune))
      },
    ),
  ))

test('two small tunes share a line, a large one does not', () =>
  expect(
    linesOf(
      {
        total: 8,
        groups: [
          { tune: 1, count: 2 },
          { tune: 2, count: 2 },
          { tune: 3, count: 4 },
        ],
      },
      4,
    ).map(({ kind }) => kind),
  ).toEqual(['pair', 'head', 'row']))

test('what is looked at is in the address, and read back', () => {
  const plan = {
    part: 'sheets',
    find: 'drop 2',
    by: 'chord',
    tag: 'trio',
    tune: 'none',
    instrument: 2,
    open: 7,
  } as const
  const query = new URL(writeBook(plan), 'http://book').searchParams
  expect(readBook(Object.fromEntries(query))).toEqual(plan)
  expect(writeBook(readBook({}))).toBe('/book')
  expect(readBook({ show: 'x', by: 'x', tune: 'x', shape: '-1' })).toEqual(readBook({}))
})
