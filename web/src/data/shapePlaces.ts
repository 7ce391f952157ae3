/** The tunes that a shape stands in: by its frets and its tuning, whatever it is called there. */
import { playedChart, readChart } from '@nestling/core/chart'
import { type Tuning, writeTuning } from '@nestling/core/neck'
import { chordsOf } from '@nestling/core/tune'
import type { ShapeHistory } from '../contracts/book.ts'
import type { KeptShape } from '../contracts/shape.ts'
import type { KeptTune } from '../contracts/tune.ts'

/** @param own The tuning of a tune that names none. */
export function placesInTunes(
  { frets, tuning }: Pick<KeptShape, 'frets' | 'tuning'>,
  tunes: readonly KeptTune[],
  own: Tuning,
): ShapeHistory['tunes'] {
  return tunes.flatMap(({ id, title, tune }) => {
    if ((tune.tuning ?? writeTuning(own)) !== tuning) return []
    const chords = chordsOf(tune)
    const places = chords.flatMap((chord, index) => (chord.frets === frets ? [index] : []))
    const [first] = places
    if (first === undefined) return []
    const played = playedChart(readChart(tune.chart).chart).chords
    return [
      {
        id,
        title,
        bars: [...new Set(places.map((place) => (played[place]?.bar ?? 0) + 1))],
        leadsTo: chords[first + 1],
      },
    ]
  })
}
