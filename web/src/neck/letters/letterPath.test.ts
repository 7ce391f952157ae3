import { readFileSync } from 'node:fs'
import opentype from 'opentype.js'
import { describe, expect, it } from 'vitest'
import { degreeSign } from '../../words/degrees.ts'
import { hasOutline, letterPath } from './letterPath.ts'
import { OUTLINES } from './outlines.ts'

const { buffer, byteOffset, byteLength } = readFileSync(
  new URL('../../fonts/nest-sans-bold.ttf', import.meta.url),
) satisfies Uint8Array
const face = opentype.parse(buffer.slice(byteOffset, byteOffset + byteLength) as ArrayBuffer)

/** Where a path's points lie: the ends of its lines and curves, and the points that bend them. */
function boundsOf(d: string) {
  const points: (readonly [number, number])[] = []
  let [x, y] = [0, 0]
  for (const [, command, rest = ''] of d.matchAll(/([Mhvlqz])([^Mhvlqz]*)/g)) {
    const numbers = (rest.match(/-?\d*\.?\d+/g) ?? []).map(Number)
    const [a = 0, b = 0, c = 0, e = 0] = numbers
    expect(numbers).toHaveLength({ M: 2, h: 1, v: 1, l: 2, q: 4, z: 0 }[command as 'M'])
    if (command === 'q') points.push([x + a, y + b])
    if (command === 'M') [x, y] = [a, b]
    else if (command === 'h') x += a
    else if (command === 'v') y += a
    else if (command === 'l') [x, y] = [x + a, y + b]
    else if (command === 'q') [x, y] = [x + c, y + e]
    points.push([x, y])
  }
  const of = (at: 0 | 1) => points.map((point) => point[at])
  return { left: Math.min(...of(0)), right: Math.max(...of(0)), top: Math.min(...of(1)), bottom: Math.max(...of(1)) }
}

describe('letters as outlines', () => {
  it.each(Object.keys(OUTLINES))('%s is as large as in the face and stands at the middle of its place', (letter) => {
    const size = 100
    const { left, right, top, bottom } = boundsOf(letterPath(letter, { x: 50, y: 80 }, size))
    const start = 50 - (face.getAdvanceWidth(letter, size)) / 2
    const box = face.getPath(letter, start, 80, size).getBoundingBox()
    // What bends a curve may lie a little outside it.
    for (const [mine, its] of [[left, box.x1], [right, box.x2], [top, box.y1], [bottom, box.y2]] as const)
      expect(Math.abs(mine - its)).toBeLessThan(2.5)
  }) // biome-ignore format: four sides
  it('letters of a text follow one another by their widths, however small', () => {
    const size = 10
    const [flat, seven] = ['♭', '7'].map((letter) => face.getAdvanceWidth(letter, size)) as [number, number]
    const both = boundsOf(letterPath('♭7', { x: 20, y: 0 }, size))
    const alone = boundsOf(letterPath('7', { x: 20 + flat / 2, y: 0 }, size))
    expect(both.right).toBeCloseTo(alone.right, 1)
    expect(both.right - both.left).toBeLessThan(flat + seven)
  })
  it('has every sign of a degree that an egg shows, and leaves to text what it has not', () => {
    for (const degree of [
      'R',
      'b9',
      '9',
      '#9',
      'b3',
      '3',
      '11',
      '#11',
      'b5',
      '5',
      '#5',
      '6',
      'b7',
      '7',
      'b13',
      '13',
    ] as const)
      expect(hasOutline(degreeSign(degree))).toBe(true)
    expect(['E♭', 'do', '𝄫7'].map(hasOutline)).toEqual([false, false, false])
    expect(() => letterPath('E♭', { x: 0, y: 0 }, 10)).toThrow('No outline for E')
  })
})
