import { CATALOGUE, writeSymbol } from '@nestling/core/chord'
import { JOINING_WAYS, joiningTones, joiningWays, type MapChange } from '@nestling/core/map'
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { type AskedMap, isShown, readMap, UNCHANGED, writeMap } from './address.ts'
import { readMapLine, writeMapLine } from './line.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)

/** As the page reads it. */
const opened = (address: string) => readMap(new URL(address, 'http://here').searchParams, player)
const EBMAJ7 = opened('/map?chord=Ebmaj7&arrangement=drop-2').asked
const CHANGES: fc.Arbitrary<MapChange> = fc.oneof(
  fc.constant(UNCHANGED),
  fc.constantFrom(...CATALOGUE).map(({ formula }) => ({ kind: 'morph' as const, formula })),
  fc
    .tuple(
      fc.constantFrom(...joiningTones(EBMAJ7.question.chord.formula)),
      fc.constantFrom(...joiningWays(EBMAJ7.question.chord.formula, EBMAJ7.question.arrangement)),
    )
    .map(([extension, way]) => ({ kind: 'extend' as const, extension, way })),
)

describe('the address', () => {
  test('holds whatever is asked, with a morph into any chord of the catalogue, the sets in sight and the place in hand', () => {
    const sets = fc.constantFrom<AskedMap['sets']>('all', 'neighbouring', [1, 2, 3, 4], [0, 2, 3, 4])
    fc.assert(
      fc.property(
        CHANGES,
        fc.integer({ min: 1, max: 9 }),
        sets,
        fc.constantFrom(undefined, 'x8878x'),
        (change, fretMin, shown, place) => {
          const asked: AskedMap = {
            question: { ...EBMAJ7.question, fretMin, fretMax: fretMin + 6 },
            change,
            sets: shown,
            place,
          }
          const { asked: again, typed } = opened(writeMap(asked, 6))
          expect(typed).toBeUndefined()
          expect(again).toEqual(asked)
        },
      ),
    )
  })

  test('without a question it opens with C major triads; what can’t be read is told, and they open as well', () => {
    expect(opened('/map').typed).toBeUndefined()
    expect(writeSymbol(opened('/map').asked.question.chord)).toBe('C')
    const wrong = opened('/map?chord=C7x9')
    expect(wrong.typed?.problem?.message).toContain('x9 is not a tension')
    expect(writeSymbol(wrong.asked.question.chord)).toBe('C')
    expect(opened('/map?chord=C&add=12').asked.change).toEqual(UNCHANGED)
    // A tone that the chord has can’t join it, nor in a way that it does not have.
    expect(opened('/map?chord=C9&add=9').asked.change).toEqual(UNCHANGED)
    expect(opened('/map?chord=C7&add=13&way=sideways').asked.change).toMatchObject({ way: 'root-moves' })
  })

  test('strings that were asked for are those that are shown', () => {
    const { asked } = opened('/map?chord=Ebmaj7&strings=5432')
    expect(asked.question.strings).toBeUndefined()
    expect(isShown([1, 2, 3, 4], asked.sets)).toBe(true)
    expect(isShown([2, 3, 4, 5], asked.sets)).toBe(false)
    expect(isShown([2, 3, 4, 5], 'neighbouring')).toBe(true)
    expect(isShown([1, 3, 4, 5], 'neighbouring')).toBe(false)
  })
})

describe('the typed line', () => {
  const typed = (line: string, before: AskedMap = EBMAJ7) => {
    const read = readMapLine(line, player, before)
    if (!read.ok) throw new Error(read.error.code)
    return read.value ?? {}
  }
  const morphed: AskedMap = {
    ...EBMAJ7,
    change: { kind: 'morph', formula: ['R', '4', '5', 'b7'] },
    sets: 'neighbouring',
  }

  test('a tone that joins stands behind a plus, and is written so', () => {
    expect(typed('Ebmaj7 drop2 +9').change).toEqual({ kind: 'extend', extension: '9', way: JOINING_WAYS[0] })
    expect(typed('Cm7 + ♯11').change).toMatchObject({ extension: '#11' })
    expect(writeMapLine({ ...EBMAJ7, ...typed('Ebmaj7 +b13') }, 'letters')).toBe('Ebmaj7 +b13')
    // Without a room before it the plus is the chord’s own.
    expect(typed('C+').question?.chord.formula).toContain('#5')
  })

  test('what can’t join is told with its place, and with what can', () => {
    expect(readMapLine('C9 +9', player, EBMAJ7)).toMatchObject({ ok: false, error: { code: 'cannot_join', at: 3 } })
    expect(readMapLine('C7 +8', player, EBMAJ7)).toMatchObject({
      ok: false,
      error: { choices: expect.arrayContaining(['9']) },
    })
  })

  test('a new chord ends the change; another wish for the same chord does not', () => {
    expect(typed('Bbdim', morphed).change).toEqual(UNCHANGED)
    expect(typed('drop3', morphed)).toMatchObject({ change: morphed.change, sets: 'neighbouring' })
  })

  test('frets are a place, and strings are the sets in sight', () => {
    expect(typed('x6878x').place).toBe('x6878x')
    expect(typed('Ebmaj7 on 5432').sets).toEqual([1, 2, 3, 4])
  })
})
