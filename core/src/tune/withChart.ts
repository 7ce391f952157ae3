/** What is asked of single chords follows them when the chart changes. */
import { type Chart, type PlayedChord, playedChart } from '../chart/index.ts'
import type { Tune } from './types.ts'

/** The same tune over a changed chart: shapes and top tones stay with their chords. */
export function withChart<Held extends Pick<Tune, 'chart' | 'held' | 'melody'>>(tune: Held, chart: Chart): Held {
  const [before, after] = [playedChart(tune.chart).chords, playedChart(chart).chords]
  return {
    ...tune,
    chart,
    held: heldThrough(tune.held, before, after),
    melody: heldThrough(tune.melody, before, after),
  }
}

const same = (a: PlayedChord | undefined, b: PlayedChord | undefined): boolean =>
  a !== undefined &&
  b !== undefined &&
  a.chord.root === b.chord.root &&
  a.chord.bass === b.chord.bass &&
  a.chord.formula.join() === b.chord.formula.join()

/** What stands before and behind the change keeps its own; a chord that is another one now loses it. */
function heldThrough<Asked extends { readonly chord: number }>(
  held: readonly Asked[],
  before: readonly PlayedChord[],
  after: readonly PlayedChord[],
): readonly Asked[] {
  const shorter = Math.min(before.length, after.length)
  let head = 0
  while (head < shorter && same(before[head], after[head])) head++
  let tail = 0
  while (tail < shorter - head && same(before.at(-1 - tail), after.at(-1 - tail))) tail++
  return held.flatMap((one): readonly Asked[] => {
    if (one.chord < head) return [one]
    if (one.chord < before.length - tail) return []
    return [{ ...one, chord: one.chord + after.length - before.length }]
  })
}
