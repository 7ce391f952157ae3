import { expect, test } from 'vitest'
import { tuneDifferences } from './tuneDiff.ts'

const tune = (...chords: readonly (readonly [string, string | null])[]) => ({
  title: 'Slow Ferry',
  tune: {
    chart: chords.map(([symbol]) => symbol).join(' '),
    way: chords.map(([, frets]) => frets ?? 'none').join(','),
  },
})

test('what differs is told chord by chord, three of them, and how many more', () => {
  const here = tune(['Fm9', 'x8688x'], ['Bbm7', '6x666x'], ['Eb13', null])
  const there = tune(['Fm9', 'x8688x'], ['Bb7', '6x6767'])
  expect(tuneDifferences(here, there)).toBe(
    'chord 2: Bbm7 6x666x here, Bb7 6x6767 there; chord 3: Eb13 here, none there',
  )
  expect(tuneDifferences(here, { ...here, title: 'Ferry' })).toBe('Slow Ferry here, Ferry there')
  expect(tuneDifferences(here, { ...here, tune: { ...here.tune, loop: '0' } })).toContain('wishes')
  const long = tune(...Array.from({ length: 5 }, () => ['C', 'x32010'] as const))
  expect(tuneDifferences(long, tune())).toMatch(/; and 2 differences more$/)
})
