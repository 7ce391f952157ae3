import { expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { PATH_WEIGHTS } from '../tune/index.ts'
import { writeFrets } from '../voicing/index.ts'
import { findPath, PATH_WISHES } from './index.ts'
import { OWN_PROGRESSIONS, type OwnProgression } from './ownProgressions.testkit.ts'

const compact = (text: string) => text.replaceAll('-', '')

function pathOf({ manner, ensemble, chart }: OwnProgression): readonly string[] {
  const found = findPath({
    chords: chart.split(' ').map((symbol) => must(readSymbol(symbol))),
    neck: neckOf(STANDARD_INSTRUMENT),
    hand: MEDIUM_HAND,
    thumb: false,
    wishes: { ...PATH_WISHES, manner, ensemble },
    weights: PATH_WEIGHTS,
    loop: false,
    held: [],
    best: 1,
  })
  return found.shapes.map((shape) => (shape ? compact(writeFrets(shape.frets)) : '–'))
}

test('of 63 progressions the best way takes what was written down beforehand, but for a few chords', () => {
  const misses: string[] = []
  let chords = 0
  let ways = 0
  for (const one of OWN_PROGRESSIONS) {
    const written = one.grips.split(' ').map((grips) => grips.split('|').map(compact))
    const found = pathOf(one)
    expect(found).toHaveLength(written.length)
    const missed = found.flatMap((frets, index) =>
      written[index]?.includes(frets) ? [] : [`${frets} of ${one.chart}`],
    )
    chords += found.length
    if (missed.length === 0) ways++
    misses.push(...missed)
  }
  expect(OWN_PROGRESSIONS).toHaveLength(63)
  expect([chords, misses.length]).toEqual([233, 4])
  expect(ways).toBe(59)
})
