/**
 * What each block draws, added up: how many marks of a kind, and the sums of where they lie in mm. A mark that moves, comes or goes
 * changes its sum; when a drawing is changed on purpose, look at the sheet and renew them.
 */
import { expect, test } from 'vitest'
import { type Block, layoutSheet, type Mark, type Sheet } from './index.ts'
import { CONTEXT, sheetOf } from './sheet.testkit.ts'

/** Every number of a mark, and of what lies in it. */
const numbersIn = (value: unknown): readonly number[] =>
  typeof value === 'number'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(numbersIn)
      : []

function drawn(block: Block, look: Partial<Sheet> = {}): string {
  const { pages } = layoutSheet(sheetOf([block], look), CONTEXT)
  const byKind = new Map<string, Mark[]>()
  for (const mark of pages.flatMap(({ marks }) => marks))
    byKind.set(mark.kind, [...(byKind.get(mark.kind) ?? []), mark])
  const told = [...byKind]
    .toSorted(([a], [b]) => (a < b ? -1 : 1))
    .map(([kind, marks]) => {
      const words = marks
        .flatMap((mark) => ('role' in mark ? [mark.role] : 'weight' in mark ? [mark.weight] : []))
        .join()
      const letters = [...words].reduce((sum, letter) => sum + letter.charCodeAt(0), 0)
      const sum = marks.flatMap(numbersIn).reduce((all, one) => all + one, 0)
      return `${marks.length} ${kind} ${sum.toFixed(1)} ${letters}`
    })
  return `${pages.length}: ${told.join(' | ')}`
}

const chart = (more: object): Block =>
  ({ id: 'a', kind: 'chart', source: { kind: 'kept', tune: 1 }, under: 'nothing', moves: true, ...more }) as Block
const shape = (chord: string, frets: string, more = {}) => ({
  name: chord,
  note: '',
  chord,
  frets,
  tuning: 'E2,A2,D3,G3,B3,E4',
  fingers: '',
  ...more,
})
const SHAPES: Block = {
  id: 'a',
  kind: 'shapes',
  title: 'Four',
  shapes: [
    shape('Cmaj7', 'x3545x', { note: 'under the clarinet' }),
    shape('G13', '3x345x'),
    shape('E', '022100'),
    shape('D7', '10-x-10-11-10-x'),
  ],
}
const KEY: Block = { id: 'a', kind: 'key', key: 'Ab major', depth: 'sevenths', roots: [6, 5], formulas: true }

test('blocks are drawn as they were', () => {
  expect({
    title: drawn({ id: 'a', kind: 'title', text: 'Slow Ferry', aside: 'for the Lantern Room' }),
    words: drawn({
      id: 'a',
      kind: 'words',
      text: '# Head\nA line.\n- one\n- two\n\nAnother, **bold** and long enough to need a second line of the page, so it says a little more than it has to.',
    }),
    legend: drawn({ id: 'a', kind: 'legend' }),
    chart: drawn(chart({})),
    'chart with TAB': drawn(chart({ under: 'tab' })),
    'chart with staff': drawn(chart({ under: 'staff', from: 2, to: 5 })),
    'chart upright': drawn(chart({ moves: false }), { necks: 'upright', labels: 'finger', barsALine: 3, lying: false }),
    key: drawn(KEY),
    'key, notes': drawn({ ...KEY, depth: 'triads', formulas: false, roots: [5] } as Block, {
      labels: 'note',
      paper: 'Letter',
    }),
    map: drawn({ id: 'a', kind: 'map', chord: 'Ebmaj7', arrangement: 'drop-2' }),
    arpeggio: drawn({ id: 'a', kind: 'arpeggio', chord: 'Ebmaj7', at: 5, under: 'tab' }),
    'arpeggio, neck alone': drawn({ id: 'a', kind: 'arpeggio', chord: 'Am7', at: 1, under: 'nothing' }),
    shapes: drawn(SHAPES),
    'shapes upright': drawn(SHAPES, { necks: 'upright', labels: 'finger', ink: 'black' }),
    'shapes, no labels': drawn(SHAPES, { labels: 'none', lying: false, barsALine: 2 }),
  }).toMatchInlineSnapshot(`
    {
      "arpeggio": "1: 9 egg 1144.3 5451 | 23 line 7469.7 12070 | 23 text 3783.6 8984",
      "arpeggio, neck alone": "1: 11 egg 938.9 6756 | 14 line 3444.8 7926 | 5 text 732.7 2274",
      "chart": "1: 32 egg 5943.8 22695 | 166 line 61135.9 90184 | 52 text 10138.3 24234",
      "chart upright": "1: 32 egg 5837.0 22695 | 158 line 56855.0 86520 | 52 text 8697.9 24234",
      "chart with TAB": "1: 32 egg 6150.2 22695 | 218 line 88696.2 114128 | 150 text 31551.6 60102",
      "chart with staff": "1: 16 egg 2927.9 10720 | 76 line 27439.3 42036 | 1 staff 6451.0 0 | 24 text 4399.5 11180",
      "key": "1: 56 egg 12523.2 34410 | 94 line 40883.7 47172 | 104 text 21818.1 44486",
      "key, notes": "1: 21 egg 4286.8 11520 | 34 line 13058.7 17019 | 34 text 6526.4 15328",
      "legend": "1: 7 egg 963.7 5516 | 1 line 549.0 414 | 7 text 1057.7 3372",
      "map": "1: 72 egg 17135.7 44254 | 219 line 106965.1 113475 | 24 text 5707.6 10570",
      "shapes": "1: 18 egg 2901.7 11016 | 66 line 21308.8 36850 | 17 text 2490.0 7642",
      "shapes upright": "1: 18 egg 2352.3 11016 | 62 line 16160.0 35018 | 18 text 1859.9 8130",
      "shapes, no labels": "1: 18 egg 2586.7 11016 | 66 line 18664.4 36850 | 17 text 2253.1 7642",
      "title": "1: 2 text 349.0 810",
      "words": "1: 5 text 236.9 1786",
    }
  `)
})
