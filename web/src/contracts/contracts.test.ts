import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import * as v from 'valibot'
import { describe, expect, test } from 'vitest'
import { draftOf, InstrumentDraft, instrumentFrom } from './instrument.ts'
import { MOST_STEPS } from './progression.ts'
import { KeptSetDraft, TrayDraft } from './progressionSchema.ts'
import { DEFAULT_SETTINGS, handOf, playerOf } from './settings.ts'
import { SettingsChange } from './settingsSchema.ts'
import { KeptShapeDraft } from './shape.ts'

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

test('a kept shape has a name, and nothing that is no text of a shape', () => {
  const shape = { name: 'x', chord: 'C', frets: 'x32010', tuning: 'E2,A2,D3,G3,B3,E4' }
  expect(v.parse(KeptShapeDraft, shape)).toEqual({ ...shape, fingers: '', note: '', tune: null, tags: [] })
  expect(v.safeParse(KeptShapeDraft, { ...shape, name: ' ' }).success).toBe(false)
  expect(v.safeParse(KeptShapeDraft, { ...shape, shape: 'x32010' }).success).toBe(false)
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
    expect(playerOf({ ...DEFAULT_SETTINGS, naming: 'german' }).naming).toEqual(['german', 'letters'])
    expect(playerOf(DEFAULT_SETTINGS).naming).toEqual(['letters'])
  })
  test.each([{ handComfortMm: 20 }, { strumMs: 900 }, { naming: 'runes' }, { volume: 101 }, { nonsense: true }])(
    '%o is refused',
    (change) => expect(v.safeParse(SettingsChange, change).success).toBe(false),
  )
})

describe('a tray and a set', () => {
  const shape = { chord: 'C', frets: 'x32010', tuning: 'E2,A2,D3,G3,B3,E4' }
  const steps = (count: number) =>
    Array.from({ length: count }, (_, index) => ({ id: `${index}`, beats: 4, chord: 'C', shape, held: true }))
  const tray = (more: object) => v.safeParse(TrayDraft, { title: '', steps: steps(2), version: 0, ...more })

  test('a tray holds so many steps and no more, each with an id of its own', () => {
    expect(tray({ steps: steps(MOST_STEPS) }).success).toBe(true)
    expect(tray({ steps: steps(MOST_STEPS + 1) }).success).toBe(false)
    expect(tray({ steps: [...steps(2), ...steps(1)] }).success).toBe(false)
  })
  test('key, metre and tempo are at their defaults until they are given', () =>
    expect(tray({}).output).toMatchObject({ key: '', metre: '4/4', tempoBpm: 80 }))
  test.each([{ tempoBpm: 5 }, { steps: [{ id: 'a', beats: 0, chord: 'C', shape, held: true }] }, { colour: 'red' }])(
    '%o is refused',
    (wrong) => expect(tray(wrong).success).toBe(false),
  )
  test('a set needs a name and a shape', () => {
    expect(v.safeParse(KeptSetDraft, { title: 'Low Tide Waltz', steps: steps(1) }).success).toBe(true)
    expect(v.safeParse(KeptSetDraft, { title: ' ', steps: steps(1) }).success).toBe(false)
    expect(v.safeParse(KeptSetDraft, { title: 'x', steps: [] }).success).toBe(false)
  })
})

test('half a character is refused in any text, a whole one of two halves is not', () => {
  const draft = { name: 'x', chord: 'Am7', frets: '5x555x', tuning: 'E2,A2,D3,G3,B3,E4' }
  expect(v.safeParse(KeptShapeDraft, { ...draft, note: '\u{1F3B8}' }).success).toBe(true)
  for (const field of ['name', 'note', 'chord'] as const) {
    const { success, issues } = v.safeParse(KeptShapeDraft, { ...draft, [field]: 'a\uD83C' })
    expect([success, issues?.[0]?.message]).toEqual([false, 'whole characters'])
  }
})
