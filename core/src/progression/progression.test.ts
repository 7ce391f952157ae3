import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { must } from '../result/index.ts'
import { readShape } from '../shape/index.ts'
import {
  EMPTY_PROGRESSION,
  type ProgressionTexts,
  readProgression,
  stepFor,
  withMovedStep,
  withoutStep,
  withSteps,
  writeProgression,
} from './index.ts'

const shape = { chord: 'Fm9', frets: 'x8688x', tuning: 'E2,A2,D3,G3,B3,E4', fingers: '' }
const tune: ProgressionTexts = {
  title: 'Slow Ferry',
  key: 'Ab major',
  metre: '4/4',
  tempoBpm: 120,
  steps: [
    { id: 'a', beats: 4, chord: 'Fm9', shape, held: true },
    { id: 'b', beats: 2, chord: 'Bbm7/Eb', shape: null, held: false },
  ],
}

describe('a progression', () => {
  test('is read as values and written as it was', () => {
    const read = must(readProgression(tune))
    expect(read.steps[0]?.shape?.frets).toEqual([null, 8, 6, 8, 8, null])
    expect(read.steps[1]).toMatchObject({ chord: { root: 'Bb', bass: 'Eb' }, beats: 2 })
    expect(read.key?.notes.join(' ')).toBe('Ab Bb C Db Eb F G')
    expect(writeProgression(read)).toEqual(tune)
  })

  test.each([
    [{ key: 'Blue' }, 'key', 'not_a_key'],
    [{ metre: 'waltz' }, 'metre', 'not_a_metre'],
    [{ steps: [{ ...tune.steps[1], chord: 'not a chord' }] }, 'steps.0.chord', 'no_root_note'],
    [
      { steps: [...tune.steps, { ...tune.steps[0], shape: { ...shape, frets: 'x86' } }] },
      'steps.2.shape.frets',
      'fret_count',
    ],
  ] as const)('%o is refused in %s', (wrong, field, code) => {
    const read = readProgression({ ...tune, ...wrong } as ProgressionTexts)
    expect(read.ok ? undefined : read.error).toMatchObject({ field, code })
  })

  test('a shape becomes a step of a bar, held as it was chosen', () =>
    expect(stepFor(must(readShape(shape)), 'n', { metre: { count: 3, unit: 4 } })).toMatchObject({
      id: 'n',
      beats: 3,
      held: true,
      chord: { root: 'F' },
    }))

  test('moved and moved back it is the same; taken out it is gone; no step is lost on the way', () => {
    const any = fc.tuple(fc.array(fc.uuid(), { minLength: 1, maxLength: 9 }), fc.nat(8), fc.nat(8))
    fc.assert(
      fc.property(any, ([ids, a, b]) => {
        const unique = [...new Set(ids)]
        const [from, to] = [a % unique.length, b % unique.length]
        const row = withSteps(
          EMPTY_PROGRESSION,
          unique.map((id) => stepFor(must(readShape(shape)), id)),
        )
        const moved = withMovedStep(row, from, to)
        expect(moved.steps[to]?.id).toBe(unique[from])
        expect(moved.steps.map(({ id }) => id).toSorted()).toEqual(unique.toSorted())
        expect(withMovedStep(moved, to, from)).toEqual(row)
        const [first = ''] = unique
        expect(withoutStep(row, first).steps.map(({ id }) => id)).toEqual(unique.slice(1))
      }),
    )
  })
})
