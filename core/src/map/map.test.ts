import { describe, expect, test } from 'vitest'
import { shapesFor } from '../answer/index.ts'
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { landmarksOf, openFormOf } from '../near/index.ts'
import { neckOf, readKnownTuning, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { type Player, readTypedLine } from '../request/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must } from '../result/index.ts'
import { readFrets, voicingOf, writeFrets } from '../voicing/index.ts'
import { inAllKeys, mapOf } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const mapped = (line: string, more: Partial<Player> = {}) => {
  const question = readTypedLine(line, { ...PLAYER, ...more })
  if (!question.ok) throw new Error(question.error.code)
  return { question: question.value.question, map: mapOf(question.value.question, { ...PLAYER, ...more }) }
}
const cellText = (line: string, strings: string) =>
  mapped(line)
    .map.rows.find((row) => row.strings.map((index) => 6 - index).join('') === strings)
    ?.cells.map((cell) => (cell.frets ? writeFrets(cell.frets) : cell.none))

describe('the map of a chord', () => {
  test('the twelve places of a C triad in close position on neighbouring strings', () =>
    expect(['321', '432', '543', '654'].map((strings) => cellText('C close', strings))).toEqual([
      ['xxx553', 'xxx988', 'x-x-x-12-13-12'],
      ['x-x-10-9-8-x', 'x-x-14-12-13-x', 'xx555x'],
      ['x-15-14-12-x-x', 'x755xx', 'x-10-10-9-x-x'],
      ['875xxx', '12-10-10-x-x-x', '332xxx'],
    ])) // biome-ignore format: a table

  test('every cell is among the shapes that a search on its strings with its bass finds, and is the easiest of them', () => {
    for (const line of ['Ebmaj7 drop2', 'G7 drop3', 'Dm close', 'Am9 drop2', 'C6 any']) {
      const { question, map } = mapped(line)
      for (const { strings, cells } of map.rows)
        for (const { bass, frets } of cells) {
          const found = shapesFor({ ...question, strings, bass }, PLAYER)
          const first =
            found.shown > 0
              ? Array.from(found.frets.subarray(0, found.strings), (fret) => (fret < 0 ? null : fret))
              : undefined
          expect(frets?.join(), `${line} ${strings.join()} ${bass}`).toBe(first?.join())
        }
    }
  })

  test('a cell without a shape says why', () => {
    const reasons = mapped('Ebmaj7 drop2').map.rows.flatMap(({ cells }) => cells.flatMap(({ none }) => none ?? []))
    expect(reasons).toContain('reach')
  })

  test('a seven-string and another tuning have their own rows', () => {
    const seven = { instrument: { ...STANDARD_INSTRUMENT, tuning: must(readKnownTuning('seven strings, low B')) } }
    const { map } = mapped('C13#11 any', seven)
    expect(map.rows.some(({ strings }) => strings.includes(6))).toBe(true)
    expect(map.rows.flatMap(({ cells }) => cells).some(({ frets }) => frets !== undefined)).toBe(true)
  })
})

describe('landmarks', () => {
  const voicing = (symbol: string, text: string) => {
    const found = voicingOf(must(readSymbol(symbol)), must(readFrets(text)), neck)
    if (!found) throw new Error(text)
    return found
  }
  test('the nearest roots on strings 6, 5 and 4', () =>
    expect(landmarksOf(voicing('C', 'xx555x'), neck)).toEqual([
      { string: 6, fret: 8 },
      { string: 5, fret: 3 },
      { string: 4, fret: 10 },
    ]))
  test.each([
    ['C', 'x3555x', 'A', 3],
    ['C', '8-10-10-9-8-8', 'E', 8],
    ['G', '355433', 'E', 3],
    ['F', 'xx3565', 'D', 3],
    ['D', 'x577xx', 'A', 5],
    ['Cm', 'x35543', 'A', 3], // one tone altered
    ['Gm', '355333', 'E', 3],
    ['Ebmaj7', 'x6878x', 'A', 6],
    ['C7', 'x32310', 'C', 0],
    ['D', 'x54232', 'C', 2],
    ['Em', '022000', 'E', 0],
    ['A', '542225', 'G', 2],
    ['Dm', 'xx0231', 'D', 0],
  ])('%s as %s comes from the open %s form at fret %d', (symbol, text, name, fret) =>
    expect(openFormOf(voicing(symbol, text), neck)).toEqual({ name, fret }),
  )
  test('the same shape in all keys keeps its pattern', () => {
    const keys = inAllKeys(voicing('Ebmaj7', 'x6878x'), neck)
    expect(keys.length).toBe(12)
    expect(keys.slice(0, 3).map(({ chord, frets }) => `${writeSymbol(chord)} ${writeFrets(frets)}`)).toEqual([
      'E♭maj7 x6878x', 'B♭maj7 x-13-15-14-15-x', 'Fmaj7 x-8-10-9-10-x',
    ]) // biome-ignore format: a table
    for (const { chord, frets } of keys)
      expect(voicingOf(chord, frets, neck)?.arrangement.degrees).toEqual(['R', '5', '7', '3'])
  })
})
