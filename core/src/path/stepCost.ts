/** What it costs to go from one shape to the next, term by term: the plain version that the fast one must equal. */
import type { Midi } from '../pitch/index.ts'
import type { PathWeights } from '../tune/index.ts'
import type { PathShape, PathStep, PathWishes } from './types.ts'
import {
  BASS_LEAP,
  BASS_LINE_BROKEN,
  BROKEN_WISH,
  FAR_EACH_MM,
  FAR_MM,
  TOP_LEAP,
  TOP_STEP,
  UNPAIRED,
} from './weights.ts'

const sounding = ({ midis }: PathShape): readonly Midi[] =>
  midis.flatMap((midi) => (midi === null ? [] : [midi])).toSorted((a, b) => a - b)

/**
 * The least sum of semitones that gives each voice of the smaller chord its own voice of the larger.
 * On one line the least pairing never crosses, so voices are paired from the bottom up, leaving some of the larger out.
 */
export function pairVoices(
  from: readonly Midi[],
  to: readonly Midi[],
): { readonly sum: number; readonly moves: readonly (number | undefined)[] } {
  const isUp = from.length <= to.length
  const [few, many] = isUp ? [from, to] : [to, from]
  const spare = many.length - few.length
  // least[i][s]: the first i of the few paired, s of the many left out.
  const least: number[][] = [Array.from({ length: spare + 1 }, () => 0)]
  for (let i = 1; i <= few.length; i++) {
    const row: number[] = []
    for (let s = 0; s <= spare; s++) {
      const paired = (least[i - 1]?.[s] as number) + Math.abs((few[i - 1] as number) - (many[i - 1 + s] as number))
      row.push(s > 0 ? Math.min(paired, row[s - 1] as number) : paired)
    }
    least.push(row)
  }
  const moves: (number | undefined)[] = []
  let s = spare
  for (let i = few.length; i > 0; i--) {
    while (s > 0 && least[i]?.[s] === least[i]?.[s - 1]) {
      s--
      moves[i + s] = undefined
    }
    const by = (many[i - 1 + s] as number) - (few[i - 1] as number)
    moves[i - 1 + s] = isUp ? by : 0 - by
  }
  return {
    sum: (least[few.length]?.[spare] as number) + UNPAIRED * spare,
    moves: Array.from({ length: many.length }, (_, at) => moves[at]),
  }
}

/** @param weights As they count in this manner (`weightsFor`). @param isSame Both are shapes of one chord. */
export function stepBetween(
  from: PathShape,
  to: PathShape,
  weights: PathWeights,
  wishes: PathWishes,
  isSame: boolean,
): PathStep {
  const [before, after] = [sounding(from), sounding(to)]
  const { sum, moves } = pairVoices(before, after)
  const handMm = from.indexMm === undefined || to.indexMm === undefined ? 0 : Math.abs(to.indexMm - from.indexMm)
  const staying = to.frets.filter((fret, string) => fret !== null && from.frets[string] === fret).length
  const sliding = new Set(to.fingers.filter((finger, string) => finger !== null && from.fingers[string] === finger))
    .size
  const rise = Math.abs((after.at(-1) as number) - (before.at(-1) as number))
  const bass = (after[0] as number) - (before[0] as number)
  // A shape that stays costs nothing, whatever else it would earn.
  const moved = to.frets.every((fret, string) => fret === from.frets[string]) ? 0 : 1
  const parts = {
    voices: weights.voices * sum,
    hand: weights.hand * handMm + (weights.far * Math.max(0, handMm - FAR_MM)) / FAR_EACH_MM,
    stays: moved * weights.stays * staying,
    top: weights.top * Math.max(0, rise - TOP_LEAP),
    bass: weights.bass * Math.max(0, Math.abs(bass) - BASS_LEAP),
    fingers: moved * weights.slides * sliding,
    same: isSame && !wantsMoves(wishes) ? moved * weights.same : 0,
    wishes: broken(from, to, bass, rise - TOP_STEP, wishes),
  }
  const cost = Object.values(parts).reduce((all, part) => all + part, 0)
  return { parts, cost, moves, handMm, staying, sliding }
}

/** Whoever wishes a moving line takes another shape of the same chord for it. */
export const wantsMoves = ({ bassLine }: PathWishes): boolean => bassLine !== undefined

function broken(
  from: PathShape,
  to: PathShape,
  bass: number,
  leap: number,
  { stream, topStepwise, bassLine }: PathWishes,
): number {
  const otherStrings = to.frets.some((fret, string) => (fret === null) !== (from.frets[string] === null))
  const way = bassLine === 'falling' ? -bass : bass
  return (
    (stream && otherStrings ? BROKEN_WISH : 0) +
    (topStepwise && leap > 0 ? BROKEN_WISH : 0) +
    (bassLine !== undefined && (way < 1 || way > 2) ? BASS_LINE_BROKEN : 0)
  )
}
