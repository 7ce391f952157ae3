import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { EMPTY_TRAY, MOST_STEPS } from '../contracts/progression.ts'
import { mergedTray, type TrayTexts } from './mergeTray.ts'

const { version: _, ...EMPTY } = EMPTY_TRAY
const step = (id: string, beats = 4) => ({ id, beats, chord: 'Am7', shape: null, held: false })
const tray = (ids: string, more: Partial<TrayTexts> = {}): TrayTexts => ({
  ...EMPTY,
  steps: [...ids].map((id) => step(id)),
  ...more,
})
const merged = (base: TrayTexts, mine: TrayTexts, theirs: TrayTexts) => mergedTray(base, mine, theirs, MOST_STEPS)
const ids = (of: TrayTexts | undefined) => of?.steps.map(({ id }) => id).join('')

describe('the tray of two pages', () => {
  test.each([
    ['both added', 'ab', 'abc', 'abd', 'abdc'],
    ['one added, one took out', 'ab', 'abc', 'a', 'ac'],
    ['both took out', 'abc', 'ab', 'bc', 'b'],
    ['one turned round, one added', 'abc', 'cba', 'abcd', 'cbad'],
    ['one added in front', 'ab', 'xab', 'ab', 'xab'],
    ['both did the same', 'ab', 'ba', 'ba', 'ba'],
    ['both emptied it', 'ab', '', '', ''],
  ])('%s: joined', (_words, base, mine, theirs, expected) =>
    expect(ids(merged(tray(base), tray(mine), tray(theirs)))).toBe(expected),
  )

  test('names and tempos of both are kept where only one of them changed each', () =>
    expect(merged(tray('a'), tray('a', { title: 'mine' }), tray('a', { tempoBpm: 96 }))).toMatchObject({
      title: 'mine',
      tempoBpm: 96,
    }))

  test.each([
    ['two names', tray('a', { title: 'mine' }), tray('a', { title: 'theirs' })],
    ['two orders', tray('bac'), tray('cab')],
    ['two lengths of one step', { ...tray(''), steps: [step('a', 2)] }, { ...tray(''), steps: [step('a', 8)] }],
    ['one changed what the other took out', { ...tray(''), steps: [step('a', 2), step('b'), step('c')] }, tray('bc')],
  ])('%s can’t be joined', (_words, mine, theirs) => expect(merged(tray('abc'), mine, theirs)).toBeUndefined())

  test('more than it holds can’t be joined', () =>
    expect(mergedTray(tray('ab'), tray('abcd'), tray('abef'), 5)).toBeUndefined())

  test('who changed nothing takes what the other did; what is joined holds every step that one added and none kept out', () => {
    const some = fc.uniqueArray(fc.constantFrom(...'abcdefgh'), { maxLength: 8 }).map((all) => all.join(''))
    fc.assert(
      fc.property(some, some, some, (base, mine, theirs) => {
        expect(merged(tray(base), tray(base), tray(theirs))).toEqual(tray(theirs))
        expect(merged(tray(base), tray(mine), tray(base))).toEqual(tray(mine))
        const both = ids(merged(tray(base), tray(mine), tray(theirs)))
        if (both === undefined) return
        for (const id of 'abcdefgh') {
          const wanted = base.includes(id)
            ? mine.includes(id) && theirs.includes(id)
            : mine.includes(id) || theirs.includes(id)
          expect(both.includes(id)).toBe(wanted)
        }
        expect(new Set(both).size).toBe(both.length)
      }),
    )
  })
})
