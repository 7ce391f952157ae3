import { playedChart, playedShapes, readChart, type TuneInHand, tuneScore } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { neckFor } from '@nestling/core/shape'
import { secondsOf } from '@nestling/core/time'
import fc from 'fast-check'
import MidiFile from 'midifile'
import { describe, expect, test } from 'vitest'
import { anyTune, heard, onlyTune, withoutFrets } from '../tune/tunes.testkit.ts'
import { readMidi, TICKS, writeMidi } from './index.ts'

const fileOf = (tune: TuneInHand, pattern = '1/4 ↓ ↓ ↓ ↓') => {
  const played = playedChart(tune.chart)
  const tempo = tune.chart.tempoBpm ?? 80
  const score = tuneScore(played, playedShapes(tune), neckFor(tune), {
    pattern,
    style: tune.chart.style,
    bass: 'roots',
    drums: true,
    click: false,
    loop: false,
    countInBars: 0,
    tempo,
  })
  const bytes = writeMidi(score, {
    title: tune.chart.title,
    key: tune.chart.key,
    tempo,
    metres: [{ at: 0, metre: tune.chart.metre }],
    chords: played.chords.map(({ at, chord }) => ({ at, symbol: writeSymbol(chord, { ascii: true }) })),
  })
  return { bytes, score, tempo, played }
}

/** Read by another package than the one that wrote it. */
const eventsOf = (bytes: Uint8Array) => new MidiFile(Uint8Array.from(bytes).buffer)

describe('a MIDI file', () => {
  test('is format 1 with its tempo and metre; every note that begins ends, and all of them are there', () =>
    fc.assert(
      fc.property(anyTune, (tune) => {
        const { bytes, score, tempo } = fileOf(tune)
        // MThd, six bytes: format 1, tracks, ticks in a quarter note.
        expect([...bytes.slice(0, 10)]).toEqual([0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1])
        expect([bytes[12], bytes[13]]).toEqual([TICKS >> 8, TICKS & 255])
        const file = eventsOf(bytes)
        expect(file.header.getFormat()).toBe(1)
        const sounding = new Map<string, number>()
        let begun = 0
        let last = 0
        for (const { subtype, channel, param1, playTime } of file.getMidiEvents()) {
          const key = `${channel} ${param1}`
          if (subtype === 9) {
            expect(sounding.get(key) ?? 0).toBe(0)
            sounding.set(key, 1)
            begun++
          } else if (subtype === 8) sounding.set(key, (sounding.get(key) ?? 0) - 1)
          last = Math.max(last, playTime)
        }
        expect([...sounding.values()].every((count) => count === 0)).toBe(true)
        // A pitch that two strings strike at once is one note; drums that fall on one tick too.
        const distinct = new Set(
          score.events.map(
            (event) =>
              `${event.part} ${Math.round(event.at * TICKS)} ${event.part === 'drums' ? event.drum : 'midi' in event ? event.midi : ''}`,
          ),
        )
        expect(begun).toBe(distinct.size)
        expect(last / 1000).toBeLessThanOrEqual(secondsOf(score, tempo) * 1.01 + 0.2)
      }),
    ))

  test('its chord names come back as the tune, bar for bar, repeats played out', () =>
    fc.assert(
      fc.property(anyTune, (tune) => {
        const { bytes, played } = fileOf(tune)
        const read = readMidi(bytes)
        if (!read.ok) throw new Error(read.error.code)
        const back = heard(onlyTune(read.value.tunes))
        expect(withoutFrets(back).chords).toEqual(withoutFrets(heard(tune)).chords)
        expect(back.beats).toBe(played.beats)
        expect(back.tempo).toBe(tune.chart.tempoBpm ?? 80)
        expect(back.title).toBe(tune.chart.title)
        // D Dorian has the signature of C, and is told as a minor key.
        if (tune.chart.key && !tune.chart.key.scale.name.includes('Dorian')) expect(back.key).toBe(heard(tune).key)
      }),
    ))

  test('without names chords are guessed from the notes, and that is told', () => {
    const { chart } = readChart('4/4 =100\n| C | Dm7 G7 | C |')
    const frets = [
      [null, 3, 2, 0, 1, 0],
      [null, null, 0, 2, 1, 1],
      [3, 2, 0, 0, 0, 1],
      [null, 3, 2, 0, 1, 0],
    ]
    const played = playedChart(chart)
    const standard = anyTuning()
    const score = tuneScore(
      played,
      frets.map((one) => ({ frets: one })),
      neckFor({ tuning: standard }),
      {
        pattern: '1/2 * *',
        style: 'straight',
        bass: undefined,
        drums: false,
        click: false,
        loop: false,
        countInBars: 0,
        tempo: 100,
      },
    )
    const read = readMidi(
      writeMidi(score, { title: '', key: undefined, tempo: 100, metres: [{ at: 0, metre: chart.metre }], chords: [] }),
    )
    if (!read.ok) throw new Error(read.error.code)
    expect(heard(onlyTune(read.value.tunes)).chords.map(({ chord, at }) => [chord, at])).toEqual([
      ['C', 0],
      ['Dm7', 4],
      ['G7', 6],
      ['C', 8],
    ])
    expect(read.value.left).toEqual([{ code: 'guessed_chord', line: 0, text: '4' }])
  })

  test.each([
    ['an empty file', new Uint8Array(), 'empty'],
    ['another file', new TextEncoder().encode('RIFF....WAVEfmt '), 'not_midi'],
    ['a cut file', fileStart().slice(0, 30), 'cut_short'],
    ['film frames for time', Uint8Array.from([0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0, 0, 0xe8, 40]), 'not_midi'],
    [
      'no notes',
      Uint8Array.from([
        0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 1, 0xe0, 0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, 4, 0, 0xff, 0x2f, 0,
      ]),
      'no_chords',
    ],
  ])('%s is refused: %#', (_what, bytes, code) => expect(readMidi(bytes)).toMatchObject({ ok: false, error: { code } }))
})

function anyTuning() {
  return {
    name: 'standard',
    strings: ['E2', 'A2', 'D3', 'G3', 'B3', 'E4'].map((text) => ({ name: text[0] as 'E', octave: Number(text[1]) })),
  }
}
function fileStart(): Uint8Array {
  const { chart } = readChart('| C |')
  return fileOf({ chart, tuning: anyTuning(), shapes: [[{ frets: [null, 3, 2, 0, 1, 0] }]] }).bytes
}
