import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { describe, expect, test } from 'vitest'
import { neckLayout } from './layout.ts'

const neck = neckOf(STANDARD_INSTRUMENT)

describe.each([
  { lowOnTop: false, leftHanded: false },
  { lowOnTop: true, leftHanded: false },
  { lowOnTop: false, leftHanded: true },
])('a neck drawn %o', (facing) => {
  const layout = neckLayout(neck, 15, facing)
  test('a point where a fingertip stands is in that fret, on that string', () => {
    for (let fret = 0; fret <= 15; fret++) expect(layout.fretAt(layout.tipX(fret))).toBe(fret)
    for (let string = 0; string < 6; string++) expect(layout.stringAt(layout.stringY(string))).toBe(string)
  })
  test('frets come closer towards the body', () => {
    const space = (fret: number) => Math.abs(layout.fretX(fret) - layout.fretX(fret - 1))
    for (let fret = 2; fret <= 15; fret++) expect(space(fret)).toBeLessThan(space(fret - 1))
    expect(space(12) / space(1)).toBeCloseTo(2 ** (-11 / 12), 6)
  })
  test('the lowest string lies where the facing puts it, the nut too', () => {
    expect(layout.stringY(0) < layout.stringY(5)).toBe(facing.lowOnTop)
    expect(layout.nut > layout.end).toBe(facing.leftHanded)
  })
})
