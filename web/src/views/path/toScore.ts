/** A path as music: its shapes under the right hand, with bass and drums. */
import type { Played } from '@nestling/core/chart'
import type { Neck } from '@nestling/core/neck'
import type { PathShape } from '@nestling/core/path'
import { must } from '@nestling/core/result'
import {
  bassFor, clicks, drumsFor, type Pace, patternEvents, readPattern, type Score, type ScoreEvent, STROKE_PATTERNS, soundedNotes, withCountIn,
} from '@nestling/core/time' // biome-ignore format: a list
import type { Settings } from '../../contracts/settings.ts'
import type { PathPlan, Span } from './types.ts'

/** @param span A part of the tune; without it all of it. Marks are the chords' places. */
export function scoreOf(
  played: Played,
  shapes: readonly (PathShape | undefined)[],
  neck: Neck,
  { pattern, bass, chart, loop }: Pick<PathPlan, 'pattern' | 'bass' | 'chart' | 'loop'>,
  settings: Pick<Settings, 'metronome' | 'drums' | 'bassStandIn' | 'countInBars' | 'tempo'>,
  span?: Span,
): Score {
  const read = readPattern(pattern)
  const hand = read.ok ? read.value : must(readPattern(STROKE_PATTERNS.strum))
  const bars = played.bars.slice(span?.from ?? 0, (span?.to ?? played.bars.length - 1) + 1)
  const start = bars[0]?.at ?? 0
  const end = (bars.at(-1)?.at ?? 0) + (bars.at(-1)?.beats ?? 0)
  const inside = played.chords.flatMap((one, index) => {
    const shape = shapes[index]
    return one.at >= start - 1e-9 && one.at < end - 1e-9
      ? [{ ...one, at: one.at - start, beats: Math.min(one.beats, end - one.at), index, shape }]
      : []
  })
  const strings = inside.flatMap(({ chord, at, beats, bar, index, shape }) =>
    shape
      ? patternEvents(hand, soundedNotes(shape.frets, neck, chord), {
          at,
          beats,
          since: at + start - (played.bars[bar]?.at ?? 0),
          mark: index,
        })
      : [],
  )
  const placed = bars.map((bar) => ({ at: bar.at - start, metre: bar.metre }))
  const events: readonly ScoreEvent[] = [
    ...strings,
    ...(settings.bassStandIn ? bassFor(bass, inside, loop) : []),
    ...(settings.drums ? drumsFor(chart.style, placed) : []),
    ...(settings.metronome
      ? bars.flatMap((bar) =>
          clicks(bar.beats, bar.metre).map((click) => ({ ...click, at: click.at + bar.at - start })),
        )
      : []),
  ]
  return withCountIn(
    {
      metre: bars[0]?.metre ?? chart.metre,
      countIn: 0,
      loop,
      beats: end - start,
      events,
      paces: pacesOf(bars, chart.tempoBpm ?? settings.tempo),
    },
    settings.countInBars,
  )
}

/** Where bars have a tempo of their own it stands to the tune's as it is written, whatever tempo the tune is played at. */
function pacesOf(bars: Played['bars'], tempo: number): readonly Pace[] | undefined {
  const start = bars[0]?.at ?? 0
  const paces = bars
    .map(({ at, tempoBpm = tempo }): Pace => ({ at: at - start, factor: tempoBpm / tempo }))
    .filter(({ factor }, index, all) => index === 0 || factor !== all[index - 1]?.factor)
  return paces.every(({ factor }) => factor === 1) ? undefined : paces
}
