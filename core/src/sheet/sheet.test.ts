import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { playedChart } from '../chart/index.ts'
import { stringNumber } from '../neck/index.ts'
import { lines } from './blocks/words.ts'
import {
  type Block,
  type ChartBlock,
  INK_COLOURS,
  INKS,
  layoutSheet,
  MARGIN_MM,
  type Mark,
  pageSize,
  printable,
  type RowMemory,
  type Sheet,
} from './index.ts'
import { neckGrid } from './neck.ts'
import { CHART, CONTEXT, sheetOf, tuneOfTests } from './sheet.testkit.ts'

const chart = (more: Partial<ChartBlock> = {}): ChartBlock => ({
  id: 'chart',
  kind: 'chart',
  source: { kind: 'kept', tune: 1 },
  under: 'tab',
  moves: true,
  ...more,
})
const words = (id: string, text: string): Block => ({ id, kind: 'words', text })
const texts = (marks: readonly Mark[]) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark.text] : []))
const eggs = (marks: readonly Mark[]) => marks.flatMap((mark) => (mark.kind === 'egg' ? [mark] : []))
const allMarks = (sheet: Sheet, context = CONTEXT) => layoutSheet(sheet, context).pages.flatMap(({ marks }) => marks)

describe('papers', () => {
  test.each([
    ['A4', false, 210, 297],
    ['A4', true, 297, 210],
    ['Letter', false, 215.9, 279.4],
  ] as const)('%s, lying %s, is %d by %d mm', (paper, lying, width, height) =>
    expect(pageSize({ paper, lying })).toEqual({ width, height }),
  )

  test('rows go onto pages whole, in order, within the margins; a heading never stands alone at the foot', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ count: fc.integer({ min: 1, max: 30 }), heading: fc.boolean() }), {
          minLength: 1,
          maxLength: 8,
        }),
        fc.boolean(),
        (blocks, lying) => {
          const sheet = sheetOf(
            blocks.map(({ count, heading }, index) =>
              words(
                `w${index}`,
                Array.from(
                  { length: count },
                  (_, line) => `${heading && line === count - 1 && count > 1 ? '# ' : ''}${index}.${line}`,
                ).join('\n'),
              ),
            ),
            { lying },
          )
          const { pages, size, places } = layoutSheet(sheet, CONTEXT)
          const told = pages
            .flatMap(({ marks }) => marks)
            .flatMap((mark) => (mark.kind === 'text' && /^\d+\.\d+$/.test(mark.text) ? [mark] : []))
          expect(told.map(({ text }) => text)).toEqual(
            blocks.flatMap(({ count }, index) => Array.from({ length: count }, (_, line) => `${index}.${line}`)),
          )
          for (const { y, x } of told) {
            expect(y).toBeGreaterThan(MARGIN_MM - 0.01)
            expect(y).toBeLessThan(size.height - MARGIN_MM + 0.01)
            expect(x).toBeGreaterThanOrEqual(MARGIN_MM)
          }
          for (const [page, { marks }] of pages.entries()) {
            const own = marks.flatMap((mark) => (mark.kind === 'text' && /^\d+\.\d+$/.test(mark.text) ? [mark] : []))
            // Only the very last line of all may be a heading with nothing after it.
            if (page < pages.length - 1) expect(own.at(-1)?.face).not.toBe('serif')
          }
          for (const { top, bottom } of places)
            expect(bottom - top).toBeLessThanOrEqual(size.height - 2 * MARGIN_MM + 0.01)
        },
      ),
    ))

  test('pages are numbered when there are more than one', () => {
    const long = words('w', Array.from({ length: 60 }, () => 'a line').join('\n'))
    expect(texts(allMarks(sheetOf([long])))).toContain('2 of 2')
    expect(texts(allMarks(sheetOf([words('w', 'a line')]))).some((text) => text.includes(' of '))).toBe(false)
  })
})

describe('a tune on paper', () => {
  test('every chord is named, every shape’s tones lie where they are held, and TAB has every fret', () => {
    const marks = allMarks(sheetOf([chart({ moves: false })]))
    for (const name of ['Fm9', 'B♭m7', 'E♭13', 'A♭maj9', 'D♭maj7', 'Gm7♭5', 'C7♭9', 'N.C.'])
      expect(texts(marks)).toContain(name)
    // Eight written shapes of four tones.
    expect(eggs(marks)).toHaveLength(32)
    const played = tuneOfTests()
      .tune.shapes.flat()
      .flatMap((held) => (held ? held.frets.filter((fret) => fret !== null) : []))
    for (const fret of new Set(played)) expect(texts(marks)).toContain(String(fret))
  })

  test('all necks of a tune share one window, so the same fret stands at the same place in each', () => {
    const marks = allMarks(sheetOf([chart({ moves: false, under: 'nothing' })], { labels: 'none' }))
    const numbers = texts(marks).filter((text) => /^\d+$/.test(text))
    // 6 to 13 with its landmarks, under each of eight shapes; the bars have numbers of their own.
    for (const landmark of ['6', '7', '9', '12'])
      expect(numbers.filter((text) => text === landmark).length).toBeGreaterThanOrEqual(8)
    expect(numbers).not.toContain('5 ')
  })

  test('what alone has moved is ringed, with its ghost and an arc; C7♭9 follows Gm7♭5 by more', () => {
    const own = {
      kind: 'own',
      chart: '| Cmaj7 | C7 | F |',
      tuning: 'E2,A2,D3,G3,B3,E4',
      frets: ['x3545x', 'x3535x', '133211'],
    } as const
    const marks = eggs(allMarks(sheetOf([chart({ source: own })])))
    expect(marks.filter(({ ringed }) => ringed)).toMatchObject([{ weight: 'seventh', label: '♭7' }])
    expect(marks.filter(({ look }) => look === 'ghost')).toMatchObject([{ weight: 'seventh' }])
    const ghost = marks.find(({ look }) => look === 'ghost')
    const ring = marks.find(({ ringed }) => ringed)
    expect((ghost?.x ?? 0) > (ring?.x ?? 0)).toBe(true)
    expect(ghost?.y).toBe(ring?.y)
    expect(allMarks(sheetOf([chart({ source: own, moves: false })])).some((mark) => mark.kind === 'arc')).toBe(false)
  })

  test('a bar of two chords is twice as wide, and only the bars that are asked stand there', () => {
    const marks = allMarks(sheetOf([chart({ from: 5, to: 7 })], { barsALine: 3 }))
    const at = (name: string) =>
      marks.flatMap((mark) => (mark.kind === 'text' && mark.text === name ? [mark.x] : []))[0] ?? 0
    expect(texts(marks)).not.toContain('Fm9')
    expect(at('Fm7') - at('Gm7♭5')).toBeGreaterThan(1.6 * (at('Gm7♭5') - at('D♭maj7')))
    expect(texts(marks)).toContain('1.')
  })

  test('a tune that is gone, and bars that are not there, say so', () => {
    expect(texts(allMarks(sheetOf([chart({ source: { kind: 'kept', tune: 99 } })])))).toEqual([
      'This tune is no longer in the Book.',
    ])
    expect(texts(allMarks(sheetOf([chart({ from: 90, to: 99 })])))).toEqual(['There is no bar from here to there.'])
  })

  test('a staff is asked for bar by bar, with its metre at the beginning only', () => {
    const staves = allMarks(sheetOf([chart({ under: 'staff' })])).flatMap((mark) =>
      mark.kind === 'staff' ? [mark] : [],
    )
    expect(staves.map(({ bars, begins, ends }) => [bars.length, begins, ends])).toEqual([
      [4, true, false],
      [4, false, true],
    ])
    expect(staves.flatMap(({ bars }) => bars).length).toBe(playedChart(tuneOfTests().tune.chart).bars.length - 6)
  })
})

describe('necks', () => {
  test('a left-handed neck is the mirror, a flipped one upside down; upright it stands', () => {
    const room = { x: 0, y: 0, width: 50, strings: 6, from: 1, to: 5, pitch: 3, leftHanded: false, lowOnTop: false }
    const [plain, left, flipped] = [
      neckGrid(room),
      neckGrid({ ...room, leftHanded: true }),
      neckGrid({ ...room, lowOnTop: true }),
    ]
    expect(plain.at(0, 1).x + left.at(0, 1).x).toBeCloseTo(50, 6)
    expect(plain.at(0, 1).y).toBe(flipped.at(5, 1).y)
    const upright = neckGrid({ ...room, upright: true, fretHeight: 5 })
    expect(upright.at(0, 2).y - upright.at(0, 1).y).toBe(5)
    expect(upright.at(1, 1).x - upright.at(0, 1).x).toBe(3)
    // An open string's tone lies before the nut.
    expect(plain.at(2, 0).x).toBeLessThan(plain.at(2, 1).x - plain.each / 2)
  })
  test('with a player’s own facing every neck of the sheet turns', () => {
    const x = (leftHanded: boolean) =>
      eggs(allMarks(sheetOf([chart()]), { ...CONTEXT, facing: { leftHanded, lowOnTop: false } }))[0]?.x ?? 0
    expect(x(true)).not.toBe(x(false))
  })
})

describe('other blocks', () => {
  test('a key has its seven steps in each lane, its numerals, and the formulas of every step', () => {
    const marks = allMarks(
      sheetOf([{ id: 'k', kind: 'key', key: 'Bb', depth: 'sevenths', roots: [6, 5], formulas: true }], {
        lying: false,
      }),
    )
    for (const name of ['B♭maj7', 'Cm7', 'Dm7', 'E♭maj7', 'F7', 'Gm7', 'Am7♭5'])
      expect(texts(marks).filter((text) => text === name).length).toBeGreaterThanOrEqual(3)
    expect(texts(marks).filter((text) => text === 'R 3 5 ♭7')).toHaveLength(1)
    expect(texts(marks)).toContain('Adim')
    expect(eggs(marks).length).toBeGreaterThanOrEqual(2 * 7 * 3)
    expect(
      texts(allMarks(sheetOf([{ id: 'k', kind: 'key', key: 'Blue', depth: 'triads', roots: [6], formulas: false }]))),
    ).toEqual(['Blue is no key.'])
  })

  test('a map has a lane for each string set that holds the chord, told by its strings', () => {
    const marks = allMarks(
      sheetOf([{ id: 'm', kind: 'map', chord: 'Ebmaj7', arrangement: 'drop-2' }], { lying: false }),
    )
    for (const set of ['4 3 2 1', '5 4 3 2', '6 5 4 3']) expect(texts(marks)).toContain(set)
    expect(eggs(marks).length % 4).toBe(0)
    expect(stringNumber(0, 6)).toBe(6)
    expect(texts(allMarks(sheetOf([{ id: 'm', kind: 'map', chord: 'Q', arrangement: '' }])))[0]).toContain(
      'nothing to draw',
    )
  })

  test('an arpeggio goes up and back in TAB, fingers in its eggs', () => {
    const marks = allMarks(
      sheetOf([{ id: 'a', kind: 'arpeggio', chord: 'Cmaj7', at: 7, under: 'tab' }], { labels: 'none' }),
    )
    const notes = eggs(marks)
    expect(notes.length).toBeGreaterThan(8)
    expect(notes.every(({ label }) => /^[1-4]$/.test(label ?? ''))).toBe(true)
    expect(marks.filter((mark) => mark.kind === 'text' && mark.backed !== undefined)).toHaveLength(2 * notes.length - 1)
  })

  test('shapes stand with names and notes; none says so', () => {
    const shape = {
      chord: 'Ebmaj7',
      frets: 'x6878x',
      tuning: 'E2,A2,D3,G3,B3,E4',
      fingers: '',
      name: 'drop 2',
      note: 'Bring the G out.',
    }
    const marks = allMarks(sheetOf([{ id: 's', kind: 'shapes', title: 'Ready', shapes: [shape] }]))
    expect(texts(marks)).toEqual(expect.arrayContaining(['Ready', 'E♭maj7', 'drop 2', 'Bring the G out.']))
    expect(eggs(marks).map(({ label }) => label)).toEqual(['R', '5', '7', '3'])
    expect(texts(allMarks(sheetOf([{ id: 's', kind: 'shapes', title: '', shapes: [] }])))).toEqual([
      'No shape has been put here yet.',
    ])
  })

  test('words break where the line ends, and a word that is longer than a line is broken too', () => {
    const found = lines('one two three incomprehensibilities', 20, (text) => text.length * 2, 'sans', 4)
    expect(found).toEqual(['one two', 'three', 'incomprehe', 'nsibilitie', 's'])
    expect(printable('F𝄪 and B𝄫')).toBe('F♯♯ and B♭♭')
  })

  test('what has not changed is not laid out anew, and a changed tune is', () => {
    const memory: RowMemory = new Map()
    const sheet = sheetOf([chart(), words('w', 'one')])
    const first = layoutSheet(sheet, CONTEXT, memory)
    const rows = memory.get('chart')?.rows
    expect(layoutSheet({ ...sheet, blocks: [chart(), words('w', 'two')] }, CONTEXT, memory).pages).not.toEqual(
      first.pages,
    )
    expect(memory.get('chart')?.rows).toBe(rows)
    layoutSheet(sheet, { ...CONTEXT, tunes: [tuneOfTests(1, CHART.replace('Bbm7', 'Db6'))] }, memory)
    expect(memory.get('chart')?.rows).not.toBe(rows)
  })

  test('in black only nothing is told by hue: every role is black, every wash is paper', () => {
    const { paper, thirdWash, seventhWash, extensionWash, ...roles } = INK_COLOURS.black
    expect(new Set(Object.values(roles))).toEqual(new Set(['#000000']))
    expect(new Set([paper, thirdWash, seventhWash, extensionWash])).toEqual(new Set(['#ffffff']))
    expect(INKS).toContain('black')
  })
})
