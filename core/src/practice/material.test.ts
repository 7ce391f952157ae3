import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, readSymbol, writeSymbol } from '../chord/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { readKey } from '../key/index.ts'
import { writeOrder } from '../lane/index.ts'
import { neckOf, STANDARD_INSTRUMENT, stringNumber } from '../neck/index.ts'
import type { NamingSystem } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { readFrets, writeFrets } from '../voicing/index.ts'
import {
  type Card,
  cardsOf,
  deckOf,
  formOf,
  keyCards,
  nearestRule,
  type PlaceRule,
  type RunLine,
  readCard,
  readMaterial,
  readRunLine,
  readSuffix,
  rightAnswers,
  ruleFor,
  runOf,
  writeCard,
  writeMaterial,
  writeSuffix,
} from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const chord = (symbol: string) => must(readSymbol(symbol))

describe('a material', () => {
  test.each(['m7', 'maj', '7b9', 'arpeggio maj9', 'Am7=5x555x', 'Fm9=x8688x,Bbm7=6x666x', '(b5)'])(
    '%s is written as it was read',
    (text) => expect(writeMaterial(must(readMaterial(text, 6)))).toBe(text),
  )
  test.each([
    ['zz', 0, 'not_a_material'],
    ['arpeggio zz', 9, 'not_a_material'],
    ['m7/G', 0, 'not_a_material'],
    ['Am7=5x555x,Q=x', 11, 'not_an_own_shape'],
    ['Am7=5x5', 0, 'not_an_own_shape'],
    [Array(65).fill('Am7=5x555x').join(','), 64 * 11, 'too_many_shapes'],
  ])('%s is refused at %d', (text, at, code) =>
    expect(readMaterial(text, 6)).toMatchObject({ ok: false, error: { at, code } }),
  )
  test('every chord of the catalogue is written and read behind its root', () => {
    for (const { formula } of CATALOGUE) expect(readSuffix(writeSuffix(formula)), writeSuffix(formula)).toEqual(formula)
  })
  test('a form is the shape without its place', () => {
    const form = (text: string) => formOf(must(readFrets(text, 6)))
    expect([form('x-11-13-11-12-x'), form('x5756x'), form('x02010')]).toEqual(['x0201x', 'x0201x', 'x02010'])
  })
})

describe('a run of one’s own', () => {
  const run = (text: string, cycle: 'fourths' | 'stay' = 'fourths', from = 'A') =>
    runOf(
      { material: must(readMaterial(text, 6)), cycle, from: from as 'A', rule: nearestRule(6), fretMax: 16 },
      neck,
      MEDIUM_HAND,
    )
  test('a shape keeps its form on every root', () => {
    const steps = run('Am7=5x555x')
    expect(steps.map(({ chord: { root } }) => root).join(' ')).toBe('A D G C F Bb Eb Ab Db F# B E')
    expect(new Set(steps.map(({ shape }) => formOf(shape?.frets ?? []))).size).toBe(1)
  })
  test('a row of shapes moves as one: its chords keep their distances, and so do its frets', () => {
    const steps = run('Dm7=x5756x,G7=3x343x,Cmaj7=x3545x', 'fourths', 'D')
    expect(steps).toHaveLength(36)
    expect(
      steps
        .slice(0, 6)
        .map(({ chord: one }) => writeSymbol(one, { ascii: true }))
        .join(' '),
    ).toBe('Dm7 G7 Cmaj7 Gm7 C7 Fmaj7')
    for (let at = 0; at < 36; at += 3) {
      const [first, second, third] = steps
        .slice(at, at + 3)
        .map(({ shape }) => Math.min(...(shape?.frets ?? []).flatMap((fret) => fret ?? [])))
      expect([(second ?? 0) - (first ?? 0), (third ?? 0) - (first ?? 0)]).toEqual([-2, -2])
    }
  })
  test('as it stands it is played once, open strings and all', () =>
    expect(run('Am7=x02010', 'stay').map(({ shape }) => writeFrets(shape?.frets ?? []))).toEqual(['x02010']))
  test('a bar that repeats the one before it keeps its shape, on every root', () => {
    const steps = run('Dm7=x5756x,Dm7=x5756x,G7=3x343x', 'fourths', 'D')
    const frets = steps.map(({ shape }) => writeFrets(shape?.frets ?? []))
    expect(frets).toHaveLength(36)
    for (let at = 0; at < frets.length; at += 3) expect(frets[at + 1]).toBe(frets[at])
  })
  test('with open strings it does not move', () =>
    expect(run('Am7=x02010').filter(({ shape }) => shape !== undefined)).toHaveLength(1))
  test('an arpeggio is a bar of eighths under one hand from its lowest root, on every root', () => {
    for (const { chord: one, line = [], shape } of run('arpeggio m7')) {
      expect(line, one.root).toHaveLength(8)
      expect(line[0]?.degree).toBe('R')
      expect(line[0]?.note).toBe(one.root)
      const pressed = line.map(({ fret }) => fret)
      expect(Math.max(...pressed) - Math.min(...pressed)).toBeLessThanOrEqual(5)
      for (const { string, fret } of line.slice(0, 1)) expect(shape?.frets[string]).toBe(fret)
    }
  })
})

describe('the typed line of a run', () => {
  const read = (text: string, naming: NamingSystem = 'letters'): unknown => {
    const line = readRunLine(text, {
      strings: 6,
      slowest: 20,
      fastest: 300,
      naming: [naming, 'letters'],
      formula: ['R', 'b3', '5', 'b7'],
      nameOf: () => ({ root: 'C', formula: ['R', '3', '5'] }),
    })
    return line.ok ? plain(line.value) : `${line.error.code} at ${line.error.at}`
  }
  const numbers = (strings: readonly number[]) => strings.map((string) => stringNumber(string, 6)).join('')
  const told = (rule: PlaceRule) =>
    rule.kind === 'orders'
      ? rule.orders.map(({ order, strings }) => `${writeOrder(order)} ${numbers(strings)}`).join(', ')
      : `${rule.kind} ${numbers(rule.strings)}`
  const plain = ({ material, rule, ...rest }: RunLine) => ({
    ...(material ? { material: writeMaterial(material) } : {}),
    ...(rule ? { rule: told(rule) } : {}),
    ...rest,
  })
  test.each([
    ['m7 on 5 and 6 fourths from E 80', { material: 'm7', rule: 'in-turn 56', cycle: 'fourths', from: 'E', tempo: 80 }],
    [
      'Abmaj7 nearest by minor thirds down',
      { material: 'maj7', from: 'Ab', rule: 'nearest 654', cycle: 'minor-thirds', down: true },
    ],
    [
      '7b9, on string 6, whole tones from F♯, two bars, 92',
      { material: '7b9', rule: 'in-turn 6', cycle: 'whole-tones', from: 'F#', bars: 2, tempo: 92 },
    ],
    ['arpeggio m7b5 shuffle 60', { material: 'arpeggio m7b5', cycle: 'shuffle', tempo: 60 }],
    ['maj9 arpeggios', { material: 'arpeggio maj9' }],
    ['6 on 6 90', { material: '6', rule: 'in-turn 6', tempo: 90 }],
    ['fifths from Bb', { cycle: 'fifths', from: 'Bb' }],
    ['m7 on 6 5 120', { material: 'm7', rule: 'in-turn 65', tempo: 120 }],
    ['m7 in turn 6 5', { material: 'm7', rule: 'in-turn 65' }],
    ['maj7 on 4321', { material: 'maj7', rule: 'R-5-7-3 4321' }],
    ['maj7 on 4 3 2 1 80', { material: 'maj7', rule: 'R-5-7-3 4321', tempo: 80 }],
    ['m7 drop3 6432 fourths', { material: 'm7', rule: 'R-7-3-5 6432', cycle: 'fourths' }],
    ['7 shells', { material: '7', rule: 'R-7-3 643, R-3-7 543' }],
    ['m7 no 5 on 543', { material: 'm7', rule: 'R-3-7 543' }],
    ['9 rootless 4321', { material: '9', rule: '3-7-9-5 4321' }],
    ['6 6432 R 7 3 5', { material: '6', rule: 'R-7-3-5 6432' }],
    ['drop2 5432', { rule: 'R-5-7-3 5432' }],
    ['m7 nut', { material: 'm7', near: 0 }],
    ['m7 from 1', { material: 'm7', near: 1 }],
    ['m7 from fret 5 from A', { material: 'm7', near: 5, from: 'A' }],
    ['Gdim=xx532x', { material: 'Gdim=xx532x', from: 'G' }],
    ['Gdim xx532x fifths', { material: 'Gdim=xx532x', from: 'G', cycle: 'fifths' }],
    ['xx532x', { material: 'C=xx532x', from: 'C' }],
    ['Am7=5x555x Dm7=x5756x', { material: 'Am7=5x555x,Dm7=x5756x', from: 'A' }],
  ])('%s', (text, expected) => expect(read(text)).toEqual(expected))
  test.each([
    ['m7 on 8', 'run_string at 6'],
    ['m7 on', 'run_string at 3'],
    ['m7 by sixths', 'not_a_run_word at 6'],
    ['m7 from H2', 'not_a_run_word at 8'],
    ['m7 999', 'run_tempo at 3'],
    ['', 'nothing_to_run at 0'],
    ['zz on 5', 'not_a_run_word at 0'],
    ['m7 rootless 4321', 'lane_order_missing at 12'],
    ['Gdim=xx532', 'fret_count at 5'],
  ])('%s is refused: %s', (text, told) => expect(read(text)).toBe(told))
  test('a run in an order keeps it and its strings on every root, and begins where it is told to', () => {
    const chord = { kind: 'chord', formula: ['R', '3', '5', '7'] } as const
    const rule: PlaceRule = { kind: 'orders', orders: [{ order: [1, 5, 7, 3], strings: [2, 3, 4, 5] }] }
    const ask = { material: chord, cycle: 'fourths', from: 'C', rule, fretMax: 15 } as const
    const run = (near?: number) => runOf({ ...ask, near }, neck, MEDIUM_HAND)
    for (const { shape, root } of run()) {
      expect(shape?.degrees, root).toEqual([null, null, 'R', '5', '7', '3'])
      expect(shape?.frets[2], root).toBeGreaterThan(0)
    }
    expect(run(10)[0]?.shape?.frets.slice(2)).toEqual([10, 12, 12, 12])
  })
  test('another chord goes on in the same places; a tone that it lacks makes way for the usual order', () => {
    const rule: PlaceRule = { kind: 'orders', orders: [{ order: [1, 5, 7, 3], strings: [2, 3, 4, 5] }] }
    expect(ruleFor(rule, ['R', 'b3', '5', 'b7'], 6)).toEqual(rule)
    expect(told(ruleFor(rule, ['R', 'b3', '5'], 6))).toBe('R-5-R-3 4321')
    expect(ruleFor(nearestRule(6), ['R', '5'], 6)).toEqual(nearestRule(6))
  })
  test('roots are read as the player calls them', () => {
    expect(read('Hm7 from Es', 'german')).toMatchObject({ material: 'm7', from: 'Eb' })
    expect(read('Hm7', 'german')).toMatchObject({ from: 'B' })
    expect(read('m7 from sol', 'syllables')).toMatchObject({ from: 'G' })
  })
})

test('every card is written and read back as the same question', () => {
  const grips = ['Cmaj7 x3545x', 'G7 3x343x', 'C9 x3233x', 'Am7 5x555x']
  fc.assert(
    fc.property(fc.constantFrom(...grips), (grip) => {
      const [name = '', text = ''] = grip.split(' ')
      const all: readonly Card[] = [
        ...cardsOf(chord(name), must(readFrets(text, 6)), ['E', 'Bb'], neck, MEDIUM_HAND),
        ...keyCards(must(readKey('A')), 'sevenths'),
      ]
      for (const card of all) expect(readCard(writeCard(card), 6)).toMatchObject(card)
      expect(new Set(all.map(writeCard)).size).toBe(all.length)
    }),
  )
})

test.each(['', 'play|Cmaj7|x3545x', 'play|Q|x3545x|E', 'spell|A|x', 'degree|C7|x3545x|9', 'which|C|Cm|2', 'sing|C'])(
  '%s is no card',
  (text) => expect(readCard(text, 6)).toBeUndefined(),
)

describe('a deck', () => {
  const steps = runOf(
    {
      material: must(readMaterial('m7', 6)),
      cycle: 'fourths',
      from: 'E',
      rule: { kind: 'in-turn', strings: [1, 0] },
      fretMax: 15,
    },
    neck,
    MEDIUM_HAND,
  )
  const deck = (seed: number) => deckOf(steps, seed, neck, MEDIUM_HAND)

  test('asks every form on every root once, and of each other kind a few', () => {
    const of = (kind: Card['kind']) => deck(1).filter((card) => card.kind === kind)
    // Two forms, one with its root on string 5 and one on string 6.
    expect(of('play')).toHaveLength(24)
    for (const kind of ['degree', 'also', 'damps', 'step', 'spell', 'name', 'heard-step'] as const)
      expect(of(kind), kind).toHaveLength(2)
    expect(new Set(deck(1).map(writeCard)).size).toBe(deck(1).length)
  })
  test('is the same for the same seed, another for another', () => {
    expect(deck(3).map(writeCard)).toEqual(deck(3).map(writeCard))
    expect(deck(3).map(writeCard)).not.toEqual(deck(4).map(writeCard))
  })
  test('holds right and wrong names, and each of its cards has an answer', () => {
    const all = Array.from({ length: 12 }, (_, seed) => deck(seed)).flat()
    const says = all.flatMap((card) => (card.kind === 'name' ? rightAnswers(card, neck, MEDIUM_HAND) : []))
    expect(new Set(says.map((answer) => answer.kind === 'yes' && answer.yes))).toEqual(new Set([true, false]))
    for (const card of all) expect(rightAnswers(card, neck, MEDIUM_HAND).length, writeCard(card)).toBeGreaterThan(0)
  })
  test('of nothing that is held there is none', () => expect(deckOf([], 1, neck, MEDIUM_HAND)).toEqual([]))
})
