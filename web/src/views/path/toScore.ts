/** A path as music, with the band that the player has chosen. */
import { type Played, type Span, tuneScore } from '@nestling/core/chart'
import type { Neck } from '@nestling/core/neck'
import type { PathShape } from '@nestling/core/path'
import type { Score } from '@nestling/core/time'
import type { Settings } from '../../contracts/settings.ts'
import type { PathPlan } from './types.ts'

/** @param span A part of the tune; without it all of it. Marks are the chords' places. */
export const scoreOf = (
  played: Played,
  shapes: readonly (PathShape | undefined)[],
  neck: Neck,
  { pattern, bass, chart, loop }: Pick<PathPlan, 'pattern' | 'bass' | 'chart' | 'loop'>,
  settings: Pick<Settings, 'metronome' | 'drums' | 'bassStandIn' | 'countInBars' | 'tempo'>,
  span?: Span,
): Score =>
  tuneScore(
    played,
    shapes,
    neck,
    {
      pattern,
      style: chart.style,
      bass: settings.bassStandIn ? bass : undefined,
      drums: settings.drums,
      click: settings.metronome,
      loop,
      countInBars: settings.countInBars,
      tempo: chart.tempoBpm ?? settings.tempo,
    },
    span,
  )
