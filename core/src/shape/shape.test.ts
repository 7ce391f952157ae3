import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, plainestRoot, writeSymbol } from '../chord/index.ts'
import { COMMON_TUNINGS, writeTuning } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { writeFrets } from '../voicing/index.ts'
import { neckFor, readShape, soundedOn, writeShape } from './index.ts'

const STANDARD = 'E2,A2,D3,G3,B3,E4'
const texts = { chord: 'Ebmaj7', frets: 'x6878x', tuning: STANDARD, fingers: 'x1324x' }

describe('a shape', () => {
  test('is read as a value: every text of it', () =>
    expect(must(readShape(texts))).toMatchObject({
      chord: { root: 'Eb', formula: ['R', '3', '5', '7'] },
      frets: [null, 6, 8, 7, 8, null],
      fingers: [null, 1, 3, 2, 4, null],
    }))

  test('without chosen fingers has none, and is written without', () => {
    const shape = must(readShape({ ...texts, fingers: '' }))
    expect(shape.fingers).toBeUndefined()
    expect(writeShape(shape).fingers).toBe('')
  })

  test('keeps its slash bass', () =>
    expect(writeShape(must(readShape({ chord: 'D/F#', frets: '2-x-0-2-3-2', tuning: STANDARD }))).chord).toBe('D/F#'))

  test('written and read again is the same, in every tuning, with or without fingers', () => {
    const any = fc
      .record({ entry: fc.constantFrom(...CATALOGUE), root: fc.nat(11), tuning: fc.constantFrom(...COMMON_TUNINGS) })
      .chain(({ entry, root, tuning }) =>
        fc
          .array(fc.option(fc.nat(24), { freq: 3 }), {
            minLength: tuning.strings.length,
            maxLength: tuning.strings.length,
          })
          .filter((frets) => frets.some((fret) => fret !== null))
          .chain((frets) =>
            fc.boolean().map((fingered) => ({
              chord: writeSymbol({ root: plainestRoot(root, entry.formula), formula: entry.formula }, { ascii: true }),
              frets: writeFrets(frets),
              tuning: writeTuning(tuning),
              fingers: fingered ? frets.map((fret) => (fret ? '2' : 'x')).join('') : '',
            })),
          ),
      )
    fc.assert(
      fc.property(any, (one) => {
        expect(writeShape(must(readShape(one)))).toEqual(one)
      }),
    )
  })
})

test.each([
  [{ chord: 'not a chord' }, 'chord', 'no_root_note', 0],
  [{ chord: 'C7x9' }, 'chord', 'not_a_tension', 2],
  [{ tuning: 'E2,A2,Q3,G3' }, 'tuning', 'not_a_pitch', 6],
  [{ frets: 'x687x' }, 'frets', 'fret_count', 0],
  [{ frets: 'xxxxxx' }, 'frets', 'all_silent', 0],
  [{ fingers: 'x132x' }, 'fingers', 'finger_count', 0],
  [{ fingers: 'x1325x' }, 'fingers', 'not_a_finger', 4],
  [{ fingers: '11324x' }, 'fingers', 'finger_idle', 0],
] as const)('%o is refused in %s: %s', (wrong, field, code, at) => {
  const read = readShape({ ...texts, ...wrong })
  expect(read.ok ? undefined : read.error).toMatchObject({ field, code, at })
})

test('its neck is tuned like it, and under the player’s capo only when the instrument is tuned so', () => {
  const shape = must(readShape(texts))
  const capoed = { ...neckInstrument(), capo: { fret: 2, strings: 'all' as const } }
  expect(neckFor(shape, capoed).open[0]).toBe(42)
  expect(neckFor({ tuning: { ...shape.tuning, strings: shape.tuning.strings.slice(1) } }, capoed).open).toEqual([
    45, 50, 55, 59, 64,
  ])
})

describe('where a shape sounds its chord', () => {
  const on = (chord: string, frets: string, instruments = [] as Parameters<typeof soundedOn>[1]) =>
    soundedOn(must(readShape({ chord, frets, tuning: STANDARD })), instruments)
  test('without a capo, or under one that is found', () => {
    expect(on('C', 'x32010')?.neck.open[0]).toBe(40)
    // An open C under the second fret is D; frets count from the nut.
    expect(on('D', 'x54030')?.neck.open[0]).toBe(42)
    expect(on('D', 'x54030')?.voicing.degrees).toEqual([null, 'R', '3', '5', 'R', '3'])
  })
  test('the player’s own capo comes first, over some strings too', () => {
    const capoed = { ...neckInstrument(), capo: { fret: 2, strings: [5, 4, 3] } }
    expect(on('E7sus4', '022200', [capoed])?.neck.open).toEqual([40, 47, 52, 57, 59, 64])
    expect(on('C', 'x32010', [{ ...capoed, capo: { fret: 2, strings: 'all' } }])?.neck.open[0]).toBe(40)
  })
  test('nowhere, when it sounds another', () => {
    expect(on('Dm7', 'x32010')).toBeUndefined()
    expect(on('Dm7', 'x3545x')).toBeUndefined()
  })
})

const neckInstrument = () => ({
  name: 'Archtop',
  tuning: COMMON_TUNINGS[0] as (typeof COMMON_TUNINGS)[number],
  frets: 20,
  scaleLengthMm: 635,
  spacingNutMm: 7.2,
  spacingBridgeMm: 10.4,
  lastReachableFret: 17,
  handed: 'right' as const,
  pluck: 'fingers' as const,
  timbre: 'archtop' as const,
})
