import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readSymbol } from '../../chord/index.ts'
import { pitchClassOf } from '../../pitch/index.ts'
import { must } from '../../result/index.ts'
import { BASS_LINES, bandEvents, barsOf, bassFor, drumsFor, FOUR_FOUR, THREE_FOUR } from '../index.ts'

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
      fc.option(fc.integer({ min: 33, max: 60 }), { nil: undefined }),
      (symbols, beats, line, loop, under) => {
        const tune = chords(symbols.join(' '), beats).map((one) => ({ ...one, under }))
        const events = bassFor(line, tune, loop)
        for (const { chord, at } of tune)
          expect((events.find((event) => event.at === at)?.midi ?? 0) % 12).toBe(pitchClassOf(chord.bass ?? chord.root))
        for (const [index, { at, length = 0, midi }] of events.entries()) {
          // A guitar that is tuned low has the bass an octave lower.
          expect(midi).toBeGreaterThanOrEqual(under !== undefined && under < 40 ? 16 : 28)
          expect(midi).toBeLessThanOrEqual(55)
          if (under !== undefined) expect(midi).toBeLessThan(under)
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

test('root and fifth in half notes: the chord’s own fifth, below where the bass reaches it; the root again where there is none', () => {
  const line = (symbol: string, beats = 4) => bassFor('root and fifth', chords(symbol, beats), false)
  expect(line('Am7').map(({ at, length, midi }) => [at, length, midi])).toEqual([
    [0, 2, 33],
    [2, 2, 28],
  ])
  expect(line('Bm7b5').map(({ midi }) => midi)).toEqual([35, 29])
  expect(line('Caug').map(({ midi }) => midi % 12)).toEqual([0, 8])
  expect(line('F', 3).map(({ at, length }) => [at, length])).toEqual([
    [0, 2],
    [2, 1],
  ])
})

test('drums lead out of a part: its last beat is a fill, all else stays', () => {
  const bars = [0, 4, 8].map((at) => ({ at, metre: FOUR_FOUR, endsPart: at === 4 }))
  const filled = drumsFor('bossa', bars)
  const plain = drumsFor(
    'bossa',
    bars.map((bar) => ({ ...bar, endsPart: false })),
  )
  const outside = (events: typeof filled) => events.filter(({ at }) => at < 7 || at >= 8)
  expect(outside(filled)).toEqual(outside(plain))
  const inside = filled.filter(({ at }) => at >= 7 && at < 8)
  expect(inside.map(({ drum, at }) => `${drum} ${at}`)).toEqual(['snare 7', 'snare 7.25', 'snare 7.5', 'kick 7.75'])
})

test('off the beat the hats stand between the beats', () =>
  expect(
    drumsFor('off-beat', [{ at: 0, metre: FOUR_FOUR }]).flatMap(({ drum, at }) => (drum === 'hat' ? [at] : [])),
  ).toEqual([0.5, 1.5, 2.5, 3.5]))

test('who doesn’t play is not there; a walking line goes round to the first chord of a loop; the last bar leads back', () => {
  const bars = barsOf(8, FOUR_FOUR)
  expect(bandEvents({ bass: undefined, drums: undefined, click: false }, chords('C F'), bars, true)).toEqual([])
  const all = bandEvents({ bass: 'walking', drums: 'swing', click: true }, chords('C F'), bars, true)
  const at = (part: string) => all.flatMap((event) => (event.part === part ? [event.at] : []))
  expect(at('click')).toEqual([0, 1, 2, 3, 4, 5, 6, 7])
  expect(at('bass')).toEqual([0, 1, 2, 3, 4, 5, 6, 7])
  const last = all.findLast((event) => event.part === 'bass')
  // From F up to A and C, and on to B or C♯: a semitone beside C.
  expect([11, 1]).toContain((last?.midi ?? 0) % 12)
  expect(all.filter((event) => event.part === 'drums' && event.drum === 'snare' && event.at >= 7)).toHaveLength(3)
})
