/** The demo's tunes, made up like everything else of it: charts of the Lantern Room, each with the way through it. */
import { playedChart, readChart } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { MEDIUM_HAND } from '@nestling/core/hand'
import { type Instrument, neckOf } from '@nestling/core/neck'
import { findPath, PATH_WISHES } from '@nestling/core/path'
import { must } from '@nestling/core/result'
import { type HeldShape, PATH_WEIGHTS, readTune, writeTune } from '@nestling/core/tune'
import { readFrets } from '@nestling/core/voicing'
import type { TuneDraft } from '../src/contracts/tune.ts'
import { DEMO_SHAPES } from './demoData.ts'

const CHARTS: readonly string[] = [
  'title: Low Tide Waltz\nkey: Bb\n3/4 waltz =96\n[A] |: Bbmaj7 | Gm7 | Cm9 | F13 |\n| Dm7 | G7b9 | 1. Cm7 | F7sus4 :|\n| 2. Cm7 | F7 | Bb6 | % |',
  'title: Kettle Song\nkey: F#m\n4/4 =88\n[A] |: F#m7 | Bm7 | C#7b9 | F#m7 :|\n[B] | Dmaj7 | E9 | Amaj7 | C#7#9 |\n[A] | F#m7 | Bm7 | C#7b9 | F#m7 |',
  'title: Slow Ferry\nkey: Ab\n4/4 bossa =112\n[A] |: Fm9 | Bbm7 | Eb13 | Abmaj9 |\n| Dbmaj7 | Gm7b5 C7b9 | 1. Fm7 | Db9 C7b9 :|\n| 2. Fm7 | Eb7sus4 Eb7 |',
  'title: Two Coats of Paint\nkey: Eb\n4/4 swing =132\n| Eb7 | Ab13 | Eb7 | Bbm7 Eb7 |\n| Ab13 | Adim7 | Eb7 | C7b9 |\n| Fm7 | Bb13 | Eb7 C7 | Fm7 Bb7 |',
  'title: Night Heron\nkey: D\n4/4 ballad =66\n[A] |: Dadd9 | Gmaj7 | Bm7 | A7sus4 |\n| Em9 | Gmaj7 | A7 | Dadd9 :|',
]

const FRET_MAX = 12

/** Tunes whose shapes of the Book are held in them. */
const HELD = ['Low Tide Waltz', 'Kettle Song']

/** The Book's shapes of a tune, wherever their chord stands in it. */
const heldIn = (title: string, symbols: readonly string[]): readonly HeldShape[] =>
  symbols.flatMap((symbol, chord) => {
    const kept = HELD.includes(title)
      ? DEMO_SHAPES.find((shape) => shape.tune === title && shape.chord === symbol)
      : undefined
    return kept ? [{ chord, frets: must(readFrets(kept.frets)) }] : []
  })

/** As the Path view would open and keep them on an instrument in standard tuning. */
export const demoTunes = (instrument: Instrument): readonly TuneDraft[] =>
  CHARTS.map((text): TuneDraft => {
    const { chart } = readChart(text)
    const { chords } = playedChart(chart)
    const held = heldIn(
      chart.title,
      chords.map(({ chord }) => writeSymbol(chord, { ascii: true })),
    )
    const { shapes } = findPath({
      chords: chords.map(({ chord }) => chord),
      neck: neckOf(instrument),
      hand: MEDIUM_HAND,
      thumb: false,
      wishes: { ...PATH_WISHES, fretMax: FRET_MAX },
      weights: PATH_WEIGHTS,
      loop: true,
      held,
      best: 1,
    })
    return {
      title: chart.title,
      remarks: '',
      tune: writeTune(
        { ...readTune({ chart: text }).tune, held, way: shapes.map((shape) => shape?.frets) },
        instrument.tuning,
      ),
    }
  })
