import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import * as v from 'valibot'
import { describe, expect, test } from 'vitest'
import { draftOf, InstrumentDraft, instrumentFrom } from './instrument.ts'
import { KeptShapeDraft } from './keptShape.ts'
import { DEFAULT_SETTINGS, handOf, SettingsChange, settingOf } from './settings.ts'
import { MOST_IN_TRAY, TrayDraft } from './tray.ts'

describe('an instrument as it is typed', () => {
  const draft = draftOf({ ...STANDARD_INSTRUMENT, name: 'Archtop' })

  test.each([
    { ...STANDARD_INSTRUMENT, handed: 'left' as const },
    { ...STANDARD_INSTRUMENT, capo: { fret: 2, strings: [5, 4, 3] } },
  ])('$name is read back as it was written', (instrument) => {
    const read = instrumentFrom(v.parse(InstrumentDraft, draftOf(instrument)))
    expect(read.ok && read.value).toEqual(instrument)
  })

  test.each([
    ['tuning', { tuning: 'E2 A2 D3 Q3 B3 E4' }, 9],
    ['tuning', { tuning: 'E2 A2' }, 0],
    ['tuning', { tuning: 'E2 A2 G2 B3' }, 6],
    ['frets', { frets: 3 }, 0],
    ['scaleLengthMm', { scaleLengthMm: 100 }, 0],
    ['lastReachableFret', { lastReachableFret: 30 }, 0],
    ['capo', { capo: { fret: 40, strings: 'all' as const } }, 0],
    ['capo', { capo: { fret: 2, strings: [9] } }, 0],
  ])('a wrong %s is refused with its field and its reason', (field, changes, at) => {
    const read = instrumentFrom({ ...draft, ...changes })
    expect(read.ok).toBe(false)
    if (read.ok) return
    expect(read.problems[0]).toMatchObject({ field, at })
    expect(read.problems[0]?.message).toMatch(/expected|holds/)
  })

  test('a form that is no instrument at all is refused by the schema', () => {
    expect(v.safeParse(InstrumentDraft, { ...draft, name: '   ' }).success).toBe(false)
    expect(v.safeParse(InstrumentDraft, { ...draft, frets: 20.5 }).success).toBe(false)
    expect(v.safeParse(InstrumentDraft, { ...draft, colour: 'red' }).success).toBe(false)
  })
})

test.each([
  ['x1324x', true],
  ['T34211', true],
  ['', true],
  ['x9', false],
  ['xxxxxxxxxxx', false],
])('fingers %s are kept: %s', (fingers, kept) => {
  const shape = { name: 'x', chord: 'C', shape: 'x32010', tuning: 'E2,A2,D3,G3,B3,E4', fingers }
  expect(v.safeParse(KeptShapeDraft, shape).success).toBe(kept)
})

describe('settings', () => {
  test('a medium hand by default; a measured one scales every limit alike', () => {
    expect(handOf(DEFAULT_SETTINGS).name).toBe('medium')
    const small = handOf({ handComfortMm: 80 })
    expect([small.comfortableMm, small.stretchMm, ...small.pairsMm]).toEqual(
      [80, 94.4, 40, 30.4, 33.6].map((mm) => expect.closeTo(mm, 6)),
    )
  })
  test('letters are read beside the player’s own naming', () => {
    expect(settingOf({ ...DEFAULT_SETTINGS, naming: 'german' }).naming).toEqual(['german', 'letters'])
    expect(settingOf(DEFAULT_SETTINGS).naming).toEqual(['letters'])
  })
  test.each([{ handComfortMm: 20 }, { strumMs: 900 }, { naming: 'runes' }, { volume: 101 }, { nonsense: true }])(
    '%o is refused',
    (change) => expect(v.safeParse(SettingsChange, change).success).toBe(false),
  )
})

test('a tray holds so many shapes and no more', () => {
  const shape = { id: 'a', chord: 'C', shape: 'x32010', tuning: 'E2,A2,D3,G3,B3,E4' }
  const holding = (count: number) =>
    v.safeParse(TrayDraft, { name: '', shapes: Array(count).fill(shape), version: 0 }).success
  expect(holding(MOST_IN_TRAY)).toBe(true)
  expect(holding(MOST_IN_TRAY + 1)).toBe(false)
})
