import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { BASS_LINES, bassFor, drumsFor, FOUR_FOUR, THREE_FOUR } from './index.ts'

const chords = (text: string, beats = 4) =>
  text.split(' ').map((symbol, index) => ({ chord: must(readSymbol(symbol)), at: index * beats, beats }))

test('roots last as long as their chords, a slash chord’s bass instead of its root', () =>
  expect(bassFor('roots', chords('Fm9 D/F#'), false)).toMatchObject([
    { at: 0, length: 4, midi: 29 },
    { at: 4, length: 4, midi: 30 },
  ]))

test('a walking line: the root, chord tones, and into the next root from a semitone beside it', () => {
  const line = bassFor('walking', chords('Dm7 G7 C'), false)
  expect(line.map(({ at }) => at)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])
  expect(line.map(({ midi }) => midi)).toEqual([38, 41, 45, 44, 43, 47, 50, 49, 48, 52, 55, 52])
})

test('any line stays in the bass’s range, begins every chord on its root, and never overlaps itself', () =>
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('Cmaj7', 'F#m7b5', 'Bb13', 'E', 'Absus4', 'Db/F'), { minLength: 1, maxLength: 9 }),
      fc.constantFrom(1, 1.5, 2, 3, 4),
      fc.constantFrom(...BASS_LINES),
      fc.boolean(),
      (symbols, beats, line, loop) => {
        const tune = chords(symbols.join(' '), beats)
        const events = bassFor(line, tune, loop)
        for (const { chord, at } of tune)
          expect((events.find((event) => event.at === at)?.midi ?? 0) % 12).toBe(pitchClassOf(chord.bass ?? chord.root))
        for (const [index, { at, length = 0, midi }] of events.entries()) {
          expect(midi).toBeGreaterThanOrEqual(28)
          expect(midi).toBeLessThanOrEqual(55)
          expect(at + length).toBeLessThanOrEqual((events[index + 1]?.at ?? tune.length * beats) + 1e-9)
        }
      },
    ),
  ))

test('drums by style, each bar as long as its metre', () => {
  const bars = [
    { at: 0, metre: FOUR_FOUR },
    { at: 4, metre: THREE_FOUR },
  ]
  const at = (style: Parameters<typeof drumsFor>[0], drum: string) =>
    drumsFor(style, bars)
      .filter((event) => event.drum === drum)
      .map((event) => event.at)
  expect(at('bossa', 'kick')).toEqual([0, 1.5, 2, 3.5, 4, 5.5, 6])
  expect(at('waltz', 'kick')).toEqual([0, 4])
  expect(at('swing', 'hat').slice(0, 3)).toEqual([0, 1, 1 + 2 / 3])
  expect(at('straight', 'kick')).toEqual([0, 2, 4])
  expect(at('ballad', 'snare')).toEqual([2, 6])
})
