/** A tune as music: its shapes under the right hand, with bass, drums and click. */
import type { Neck } from '../neck/index.ts'
import { must } from '../result/index.ts'
import {
  type BassLine,
  bandEvents,
  type Pace,
  patternEvents,
  readPattern,
  type Score,
  STROKE_PATTERNS,
  soundedNotes,
  withCountIn,
} from '../time/index.ts'
import type { Frets } from '../voicing/index.ts'
import type { Played } from './played.ts'
import type { Style } from './types.ts'

/** Played bars, the first and the last of them. */
export interface Span {
  readonly from: number
  readonly to: number
}

export interface TuneSound {
  /** What the right hand does: as `readPattern` reads it. */
  readonly pattern: string
  readonly style: Style
  /** The bass that plays along; `undefined` for none. */
  readonly bass: BassLine | undefined
  readonly drums: boolean
  readonly click: boolean
  readonly loop: boolean
  readonly countInBars: number
  /** Beats (quarter notes) in a minute. */
  readonly tempo: number
}

/** The right hand that goes with a style. */
export const patternOf = ({ style }: { readonly style: Style }): string =>
  ({
    straight: STROKE_PATTERNS.quarters,
    swing: STROKE_PATTERNS.quarters,
    waltz: STROKE_PATTERNS.waltz,
    bossa: STROKE_PATTERNS.bossa,
    ballad: STROKE_PATTERNS.ballad,
    'off-beat': STROKE_PATTERNS.quarters,
  })[style]

/** @param span A part of the tune; without it all of it. Marks are the chords' places. */
export function tuneScore(
  played: Played,
  shapes: readonly ({ readonly frets: Frets } | undefined)[],
  neck: Neck,
  { pattern, style, bass, drums, click, loop, countInBars, tempo }: TuneSound,
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
  const placed = bars.map((bar, index) => ({
    at: bar.at - start,
    metre: bar.metre,
    endsPart: endsPart(bar, bars[index + 1]),
  }))
  const under = Math.min(...neck.open)
  const band = { bass, drums: drums ? style : undefined, click }
  const along = bandEvents(
    band,
    inside.map((one) => ({ ...one, under })),
    placed,
    loop,
  )
  return withCountIn(
    {
      metre: bars[0]?.metre ?? { count: 4, unit: 4 },
      countIn: 0,
      loop,
      beats: end - start,
      events: [...strings, ...along],
      paces: pacesOf(bars, tempo),
    },
    countInBars,
  )
}

/** A part ends where the next one has a name, where a repeat goes back, and with the last bar. */
const endsPart = (bar: Played['bars'][number], next: Played['bars'][number] | undefined): boolean =>
  next === undefined || next.part !== undefined || next.written !== bar.written + 1

/** Where bars have a tempo of their own it stands to the tune's as it is written, whatever tempo the tune is played at. */
function pacesOf(bars: Played['bars'], tempo: number): readonly Pace[] | undefined {
  const start = bars[0]?.at ?? 0
  const paces = bars
    .map(({ at, tempoBpm = tempo }): Pace => ({ at: at - start, factor: tempoBpm / tempo }))
    .filter(({ factor }, index, all) => index === 0 || factor !== all[index - 1]?.factor)
  return paces.every(({ factor }) => factor === 1) ? undefined : paces
}
