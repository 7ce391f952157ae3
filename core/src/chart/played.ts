/** A chart as it is played: repeats and endings unfolded, every chord at its beat. */

import type { Chord } from '../chord/index.ts'
import { requireAt } from '../result/index.ts'
import { beatsInBar, type Metre } from '../time/index.ts'
import type { Chart, ChartSlot } from './types.ts'

export const MOST_PLAYED_BARS = 1024

export interface PlayedBar {
  /** Which written bar it is. */
  readonly written: number
  /** Beats (quarter notes) from the start. */
  readonly at: number
  readonly beats: number
  readonly metre: Metre
  readonly tempoBpm: number | undefined
  /** The name of the part that begins here. */
  readonly part: string | undefined
  /** The time through the repeat that it stands in, 1 the first. */
  readonly pass: number
  readonly slots: readonly ChartSlot[]
}

export interface PlayedChord {
  readonly chord: Chord
  readonly at: number
  readonly beats: number
  /** Which played bar it begins in, and where in it. */
  readonly bar: number
  readonly slot: number
}

export interface Played {
  readonly bars: readonly PlayedBar[]
  readonly chords: readonly PlayedChord[]
  readonly beats: number
  /** It would be longer than anybody plays. */
  readonly cut: boolean
}

export function playedChart(chart: Chart): Played {
  const { order, cut } = orderOf(chart)
  const bars: PlayedBar[] = []
  const chords: PlayedChord[] = []
  let at = 0
  let { metre, tempoBpm } = chart
  for (const { written, pass } of order) {
    const bar = chart.bars[written]
    if (!bar) continue
    metre = metreAt(chart, written)
    tempoBpm = tempoAt(chart, written)
    const slots = slotsAt(chart, written)
    const beats = beatsInBar(metre)
    const each = beats / Math.max(1, slots.length)
    for (const [slot, one] of slots.entries()) {
      const last = chords.at(-1)
      if (one.kind === 'chord')
        chords.push({ chord: one.chord, at: at + slot * each, beats: each, bar: bars.length, slot })
      else if (one.kind === 'hold' && last && Math.abs(last.at + last.beats - at - slot * each) < 1e-9)
        chords.push({ ...(chords.pop() as PlayedChord), beats: last.beats + each })
    }
    bars.push({ written, at, beats, metre, tempoBpm, part: bar.part, pass, slots })
    at += beats
  }
  return { bars, chords, beats: at, cut }
}

/** What a bar plays; a bar that repeats plays what the last written one before it does. */
function slotsAt({ bars }: Chart, written: number): readonly ChartSlot[] {
  for (let at = written; at >= 0; at--) {
    const { slots } = requireAt(bars, at)
    if (slots.length > 0) return slots
  }
  return []
}

/** A metre holds until the next one that is written. */
export const metreAt = ({ bars, metre }: Chart, written: number): Metre =>
  bars.slice(0, written + 1).reduce((now, bar) => bar.metre ?? now, metre)
const tempoAt = ({ bars, tempoBpm }: Chart, written: number): number | undefined =>
  bars.slice(0, written + 1).reduce((now, bar) => bar.tempoBpm ?? now, tempoBpm)

interface Order {
  readonly order: readonly { readonly written: number; readonly pass: number }[]
  readonly cut: boolean
}

function orderOf({ bars }: Chart): Order {
  const order: { written: number; pass: number }[] = []
  let start = 0
  let pass = 1
  for (let at = 0; at < bars.length; at++) {
    if (order.length === MOST_PLAYED_BARS) return { order, cut: true }
    const bar = requireAt(bars, at)
    if (bar.opens && at !== start) {
      start = at
      pass = 1
    }
    if (bar.ending !== undefined && bar.ending !== pass) {
      const own = endingFor(bars, at, pass)
      if (own === undefined) continue
      at = own - 1
      continue
    }
    order.push({ written: at, pass })
    if (!bar.closes) continue
    if (pass < timesThrough(bars, start, at)) {
      pass++
      at = start - 1
    } else if (bar.ending === undefined || !bars[at + 1]?.ending) {
      start = at + 1
      pass = 1
    }
  }
  return { order, cut: false }
}

type Bars = Chart['bars']

/** The bar with which this time's ending begins. */
function endingFor(bars: Bars, from: number, pass: number): number | undefined {
  for (let at = from + 1; at < bars.length && !bars[at]?.opens; at++) if (bars[at]?.ending === pass) return at
  return undefined
}

/** Twice, or as often as there are endings. */
function timesThrough(bars: Bars, start: number, end: number): number {
  let most = 2
  const seen = bars.slice(start, end + 1).some(({ ending }) => ending !== undefined)
  if (!seen) return most
  for (let at = start; at < bars.length && (at <= start || !bars[at]?.opens); at++)
    most = Math.max(most, bars[at]?.ending ?? 0)
  return most
}
