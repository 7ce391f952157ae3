/** What the fillings mean. */
import type { BlockRoom } from '../context.ts'
import { type Mark, SMALL, text } from '../marks.ts'
import type { Row } from '../row.ts'
import type { LegendBlock } from '../types.ts'

const TOLD = [
  ['root', 'the root'],
  ['third', 'third, dotted'],
  ['seventh', 'seventh, stroked'],
  ['fifth', 'fifth, hollow'],
  ['extension', '9 11 13, double rim'],
] as const

export function legendRows({ id }: LegendBlock, { width, measure }: BlockRoom): readonly Row[] {
  const rows: Mark[][] = [[]]
  let x = 0
  const put = (room: number, draw: (at: number) => readonly Mark[]) => {
    if (x > 0 && x + room > width) {
      rows.push([])
      x = 0
    }
    rows.at(-1)?.push(...draw(x))
    x += room + 7
  }
  const label = (at: number, words: string) => text(at, 4.1, words, { size: SMALL - 0.2, role: 'soft' })
  for (const [weight, words] of TOLD)
    put(measure(words, 'sans', SMALL) + 7, (at) => [
      { kind: 'egg', x: at + 2.4, y: 3, size: 2.3, weight, look: 'sounding' },
      label(at + 6, words),
    ])
  put(measure('moved by one tone', 'sans', SMALL) + 12, (at) => [
    { kind: 'egg', x: at + 2.2, y: 3, size: 1.9, weight: 'extension', look: 'ghost' },
    { kind: 'egg', x: at + 8, y: 3, size: 1.9, weight: 'extension', look: 'sounding', ringed: true },
    label(at + 12, 'moved by one tone'),
  ])
  put(measure('the hand', 'sans', SMALL) + 9, (at) => [
    { kind: 'line', x1: at, x2: at + 6.5, y1: 3, y2: 3, width: 0.9, role: 'ease' },
    label(at + 8.4, 'the hand'),
  ])
  return rows.map((marks) => ({ block: id, height: 6.4, marks }))
}
