/** A tune with the shapes that a hand holds in it: what files and sheets hold of a tune. */
import type { Tuning } from '../neck/index.ts'
import type { Fingers } from '../shape/index.ts'
import type { Frets } from '../voicing/index.ts'
import { playedChart } from './played.ts'
import type { Chart } from './types.ts'

export interface HeldChord {
  readonly frets: Frets
  readonly fingers?: Fingers | undefined
}

export interface TuneInHand {
  readonly chart: Chart
  readonly tuning: Tuning
  /** By bar and slot as the chart is written; `undefined` where a slot is no chord or nothing is held. */
  readonly shapes: readonly (readonly (HeldChord | undefined)[])[]
}

/** Where each played chord is written: a bar and a slot of the chart. */
export const writtenPlaces = (chart: Chart): readonly { readonly bar: number; readonly slot: number }[] => {
  const { bars, chords } = playedChart(chart)
  return chords.map(({ bar, slot }) => ({ bar: bars[bar]?.written ?? 0, slot }))
}

/** From shapes by played chord. A chord that is played twice keeps the shape of its first time. */
export function inHand(chart: Chart, tuning: Tuning, played: readonly (HeldChord | undefined)[]): TuneInHand {
  const shapes: (HeldChord | undefined)[][] = chart.bars.map(({ slots }) => slots.map(() => undefined))
  for (const [index, { bar, slot }] of writtenPlaces(chart).entries()) {
    const row = shapes[bar]
    if (row && slot < row.length) row[slot] ??= played[index]
  }
  return { chart, tuning, shapes }
}

/** By played chord, repeats unfolded. */
export const playedShapes = ({ chart, shapes }: TuneInHand): readonly (HeldChord | undefined)[] =>
  writtenPlaces(chart).map(({ bar, slot }) => {
    // A bar that repeats the one before it holds what that one does.
    for (let at = bar; at >= 0; at--) if ((chart.bars[at]?.slots.length ?? 0) > 0) return shapes[at]?.[slot]
    return undefined
  })

/** Every `%` written out as what it repeats. */
export function writtenOut(tune: TuneInHand): TuneInHand {
  const bars = tune.chart.bars.map((bar, index) => {
    for (let at = index; at >= 0; at--) {
      const slots = tune.chart.bars[at]?.slots ?? []
      if (slots.length > 0) return { bar: { ...bar, slots }, shapes: tune.shapes[at] ?? [] }
    }
    return { bar, shapes: [] }
  })
  return {
    ...tune,
    chart: { ...tune.chart, bars: bars.map(({ bar }) => bar) },
    shapes: bars.map(({ shapes }) => shapes),
  }
}

/** Without repeats and endings: every written bar once. */
export const writtenOnce = (chart: Chart): Chart => ({
  ...chart,
  bars: chart.bars.map(({ opens: _opens, closes: _closes, ending: _ending, ...bar }) => bar),
})
