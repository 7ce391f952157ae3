import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { must } from '../result/index.ts'
import { beatsInBar, type Metre, playedAgain, readMetre, type Score, type StringEvent, writtenBars } from './index.ts'

const FOUR: Metre = { count: 4, unit: 4 }
const note = (at: number, length: number, midi = 60): StringEvent => ({
  part: 'strings',
  at,
  length,
  loud: 1,
  midi,
  pitch: { name: 'C', octave: 4 },
  string: 1,
  fret: 3,
})
const score = (events: readonly StringEvent[], beats: number, metre = FOUR): Score => ({
  metre,
  countIn: 0,
  beats,
  loop: false,
  events,
})
/** `q` a quarter, `q.` dotted, `e3` of a triplet; `r` before a rest, `~` behind what is held on, `+` for two notes. */
const signs = (of: Score): string =>
  writtenBars(of)
    .map(({ events }) =>
      events
        .map(
          ({ value, dotted, triplet, notes, tied }) =>
            `${notes.length === 0 ? 'r' : notes.length > 1 ? '+' : ''}${value === 'sixteenth' ? 's' : value[0]}${dotted ? '.' : ''}${triplet ? '3' : ''}${tied ? '~' : ''}`,
        )
        .join(' '),
    )
    .join(' | ')

describe('what is written', () => {
  test.each([
    ['eighths to the end of the bar', [0, 0.5, 1, 1.5].map((at) => note(at, 0.5)), 4, 'e e e e rh'],
    ['a dotted quarter and an eighth', [note(0, 1.5), note(1.5, 0.5), note(2, 2)], 4, 'q. e h'],
    ['triplets', [0, 1 / 3, 2 / 3].map((at) => note(at, 1 / 3)), 4, 'e3 e3 e3 rq rh'],
    ['swung triplets: two thirds and one', [note(0, 2 / 3), note(2 / 3, 1 / 3)], 4, 'q3 e3 rq rh'],
    ['a note over the barline is held', [note(3, 2)], 8, 'rh rq q~ | q rq rh'],
    ['a syncope is held over the beat', [note(0, 0.5), note(0.5, 1), note(1.5, 0.5)], 4, 'e e~ e e rh'],
    ['a chord is one event', [note(0, 1, 60), note(0, 1, 64)], 4, '+q rq rh'],
    ['nothing at all', [], 4, 'rw'],
    ['a note that rings until the next', [{ ...note(0, 0), length: undefined }, note(2, 2)], 4, 'h h'],
  ] as const)('%s', (_, events, beats, expected) => expect(signs(score([...events], beats))).toBe(expected))

  test('in three a bar is three beats', () =>
    expect(signs(score([note(0, 3), note(3, 1)], 6, { count: 3, unit: 4 }))).toBe('h. | q rq rq'))
})

describe('rests and beats', () => {
  const metre = (text: string) => must(readMetre(text))
  test.each([
    ['6/8', [note(0, 0.5)], 3, 'e rq rq.'],
    ['6/8', [note(0, 1.5)], 3, 'q. rq.'],
    ['6/8', [note(0.5, 1)], 3, 're q rq.'],
    ['12/8', [note(0, 3)], 6, 'h. rh.'],
    ['12/8', [note(0, 6)], 6, 'w.'],
    ['7/8', [note(0, 3.5)], 3.5, 'h~ q.'],
    ['7/8', [note(0, 1)], 7, 'q rq rq. | rw'],
    ['3/4', [], 6, 'rw | rw'],
    ['5/4', [note(0, 2)], 5, 'h rq rq rq'],
    ['2/2', [note(1, 1)], 4, 'rq q rh'],
    ['4/4', [note(1, 1)], 4, 'rq q rh'],
    ['4/4', [note(3, 1)], 4, 'rh rq q'],
    ['4/4', [note(0, 0.25)], 4, 's re. rq rh'],
  ] as const)('in %s', (text, events, beats, expected) =>
    expect(signs(score([...events], beats, metre(text)))).toBe(expected),
  )

  test('where the metre changes on the way each bar is written in its own, and what is held goes on over the line', () => {
    const bars = [
      { at: 0, metre: FOUR },
      { at: 4, metre: metre('3/4') },
      { at: 7, metre: metre('6/8') },
    ]
    const written = writtenBars(score([note(0, 7), note(7, 1.5)], 10), bars)
    expect(written.map((bar) => bar.metre)).toEqual(bars.map((bar) => bar.metre))
    expect(written.map(({ events }) => events.map(({ value, dotted, tied }) => [value, dotted, tied]))).toEqual([
      [['whole', false, true]],
      [['half', true, false]],
      [
        ['quarter', true, false],
        ['quarter', true, false],
      ],
    ])
    expect(playedAgain(written).map(({ at, length }) => [at, length])).toEqual([
      [0, 7],
      [7, 1.5],
    ])
  })

  test('a stroke across the strings is one chord, whenever each string is reached', () => {
    const stroke = [0, 0.035, 0.07, 0.105, 0.14, 0.175].map((late, index) => ({
      ...note(1 + late, 1 - late, 50 + index),
      struckAt: 1,
    }))
    expect(signs(score(stroke, 4))).toBe('rq +q rh')
  })
})

const METRES = ['2/4', '3/4', '4/4', '5/4', '6/8', '7/8', '12/8'].flatMap((text) => {
  const metre = readMetre(text)
  return metre.ok ? [metre.value] : []
})

test('every bar is full; read again it gives the same onsets, lengths and notes; mixed values and chords too', () => {
  const beat = fc.constantFrom([1], [0.5, 0.5], [0.75, 0.25], [0.25, 0.25, 0.5], [1 / 3, 1 / 3, 1 / 3], [2 / 3, 1 / 3])
  const any = fc.record({
    metre: fc.constantFrom(...METRES),
    beats: fc.array(beat, { minLength: 1, maxLength: 24 }),
    sounds: fc.array(fc.constantFrom(0, 1, 1, 2), { minLength: 80, maxLength: 80 }),
  })
  let chords = 0
  fc.assert(
    fc.property(any, ({ metre, beats, sounds }) => {
      // A third of a beat can't stand across a barline that lies within the beat.
      const odd = beatsInBar(metre) % 1 !== 0
      const lengths = beats.filter((lengths) => !odd || lengths.every((one) => (one * 4) % 1 === 0)).flat()
      let at = 0
      const events = lengths.flatMap((length, index) => {
        const begins = at
        at += length
        const voices = sounds[index] ?? 0
        return Array.from({ length: voices }, (_, voice) => note(begins, length, 60 + voice * 4))
      })
      const bar = beatsInBar(metre)
      const whole = Math.ceil(at / bar - 1e-9) * bar
      const bars = writtenBars(score(events, whole, metre))
      for (const { events: written } of bars)
        expect(written.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(bar, 9)
      const expected = [...new Set(events.map((event) => event.at))].map((onset) => {
        const there = events.filter((event) => event.at === onset)
        return { at: onset, length: there[0]?.length ?? 0, midis: there.map(({ midi }) => midi) }
      })
      const again = playedAgain(bars)
      expect(again).toHaveLength(expected.length)
      for (const [index, played] of again.entries()) {
        expect(played.at).toBeCloseTo(expected[index]?.at ?? -1, 9)
        expect(played.length).toBeCloseTo(expected[index]?.length ?? -1, 9)
        expect(played.notes.map(({ midi }) => midi)).toEqual(expected[index]?.midis)
        if (played.notes.length > 1) chords++
      }
    }),
  )
  expect(chords).toBeGreaterThan(20)
})
