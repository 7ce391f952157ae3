import { describe, expect, test } from 'vitest'
import { CATALOGUE, leftOutBesides } from '../chord/index.ts'
import { handOn, MEDIUM_HAND, registerWarnings } from '../hand/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { readTypedLine } from '../request/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must } from '../result/index.ts'
import { fretsAt, readFrets, searchVoicings, type VoicingQuery, voicingOf, writeFrets } from '../voicing/index.ts'
import { answerTo, shapesFor } from './index.ts'
import { rankByTaste } from './ranking.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const question = (line: string) => {
  const read = readTypedLine(line, PLAYER)
  if (!read.ok) throw new Error(read.error.code)
  return read.value.question
}
const list = (line: string) => {
  const found = shapesFor(question(line), PLAYER)
  return Array.from({ length: found.shown }, (_, row) => writeFrets(fretsAt(found, row)))
}

describe('on free strings the grips that everybody knows come first', () => {
  test.each([
    ['C', ['x35553', '8-10-10-9-8-8']],
    ['C open', ['x32010']],
    ['Bm', ['x24432']],
    ['F', ['133211']],
    ['A', ['577655']],
    ['G open', ['320003']],
    ['Am open', ['x02210']],
    ['Em open', ['022000']],
    ['D open', ['xx0232']],
    ['Cmaj7', ['x3545x']],
    ['Gm7', ['3x333x']],
    ['C9', ['x3233x']],
  ])('%s: one of %j among the first six', (line, grips) =>
    expect(
      list(line)
        .slice(0, 6)
        .filter((shape) => grips.includes(shape)),
    ).not.toEqual([]),
  )
})

test('what can be held before what cannot, and no fragment of two tones at the head of a triad’s list', () => {
  for (const line of ['A any 654321', 'Amaj9', 'C', 'Bm', 'F#m7b5', 'C13#11']) {
    const found = shapesFor(question(line), PLAYER)
    const held = Array.from(found.held)
    expect(held[0]).toBe(1)
    expect(held.lastIndexOf(1)).toBe(found.playable - 1)
  }
  for (const line of ['C', 'Bm', 'Eb', 'F#dim']) {
    const { chord } = question(line)
    for (const shape of list(line).slice(0, 50))
      expect(new Set(voicingOf(chord, must(readFrets(shape)), neck)?.degrees.filter((one) => one !== null)).size).toBe(
        3,
      )
  }
})

test('where it is hardly easier up there, the same grip twelve frets up comes later', () => {
  let pairs = 0
  for (const { formula } of CATALOGUE.slice(0, 40)) {
    const chord = { root: 'A', formula } as const
    const query: VoicingQuery = {
      chord,
      neck,
      arrangement: { kind: 'any' },
      school: 'drop-fifth',
      doubling: false,
      fretMin: 1,
      fretMax: 21,
      reachLimitMm: 118,
      open: 'never',
    }
    const found = searchVoicings(query)
    const { rows } = rankByTaste(
      found,
      query,
      { manner: 'comp', ensemble: 'alone' },
      { hand: MEDIUM_HAND, thumb: false },
    )
    const { leastEffort } = handOn(neck, MEDIUM_HAND)
    const shapes = Array.from(rows, (row) => fretsAt(found, row))
    const place = new Map(shapes.map((frets, index) => [frets.join(), index]))
    for (const [index, frets] of shapes.entries()) {
      const above = frets.map((fret) => (fret === null ? null : fret + 12))
      const higher = place.get(above.join())
      const [here, there] = [leastEffort(frets), leastEffort(above)]
      // Where the hand has less to do up there, or low tones no longer blur, that may weigh more.
      if (higher === undefined || here === undefined || there === undefined || there < here - 1) continue
      if (registerWarnings(voicingOf(chord, frets, neck)?.midis.flatMap((midi) => midi ?? []) ?? [], false).length > 0)
        continue
      expect([frets.join(), higher > index]).toEqual([frets.join(), true])
      pairs++
    }
  }
  expect(pairs).toBeGreaterThan(300)
})

test('two tones are no spread voicing, three in other octaves no drop 3, and a shell has root, third and seventh', () => {
  expect(list('C spread').length).toBeGreaterThan(5)
  for (const shape of list('C spread')) expect(shape.match(/\d+/g)?.join('').length).toBeGreaterThanOrEqual(3)
  expect(list('C drop3')).toEqual([])
  expect(voicingOf(question('C').chord, must(readFrets('8xx98x')), neck)?.arrangement.name).not.toBe('drop-3')
  const shells = answerTo(question('Cmaj7 shell'), PLAYER).shapes
  expect(shells.length).toBeGreaterThan(3)
  for (const { voicing } of shells)
    expect(voicing.degrees.filter((degree) => degree !== null).toSorted()).toEqual(['3', '7', 'R'])
})

test('every chord of the catalogue can be had on four strings; what goes besides the fifth is told', () => {
  for (const { suffix } of CATALOGUE.filter(({ formula }) => formula.length >= 4))
    expect([suffix, list(`C${suffix} any 4321`).length + list(`C${suffix} any 5432`).length > 0]).toEqual([
      suffix,
      true,
    ])
  expect(leftOutBesides(question('Cm11').chord.formula, 4)).toEqual([])
  expect(leftOutBesides(question('C9').chord.formula, 4)).toEqual([])
  expect(leftOutBesides(question('C13b9#11').chord.formula, 4)).toEqual(['5', 'R', 'b9'])
})
