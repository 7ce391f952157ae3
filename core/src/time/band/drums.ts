/** The drums: a style's table over the bars of the music. */
import { beatsInBar, type Metre, pulses, writeMetre } from '../metre.ts'
import type { DrumEvent } from '../score.ts'
import { BEATS, type Beat, type DrumStyle, FILL, FILL_BEATS, STRAIGHT_BEATS, STRAIGHT_LOUD } from './rhythms.ts'

export interface BandBar {
  /** Beats (quarter notes) from the start. */
  readonly at: number
  readonly metre: Metre
  /** A part ends with it: drums lead into the next. */
  readonly endsPart?: boolean | undefined
}

const NEAR = 1e-9

/** A style in another metre keeps what falls inside the bar. */
export function drumsFor(style: DrumStyle, bars: readonly BandBar[]): readonly DrumEvent[] {
  return bars.flatMap(({ at, metre, endsPart }): readonly DrumEvent[] => {
    const beats = beatsInBar(metre)
    const beat = struckIn(style === 'straight' ? straightBeat(metre) : BEATS[style], beats, (place) => place)
    const fills = endsPart === true && beats > FILL_BEATS
    const kept = fills ? beat.filter((event) => event.at < beats - FILL_BEATS - NEAR) : beat
    const all = fills ? [...kept, ...struckIn(FILL, beats, (before) => beats - before)] : kept
    return all.map((event) => ({ ...event, at: event.at + at })).toSorted((a, b) => a.at - b.at)
  })
}

/** In a metre without a line of its own the kick has the first beat and the snare all others. */
function straightBeat(metre: Metre): Beat {
  const felt = pulses(metre)
  const { kick, snare } = STRAIGHT_BEATS[writeMetre(metre)] ?? { kick: [0], snare: felt.slice(1) }
  const isFelt = (at: number) => felt.some((beat) => Math.abs(beat - at) < NEAR)
  const eighths = Array.from({ length: Math.ceil(2 * beatsInBar(metre) - NEAR) }, (_, index) => index / 2)
  return [
    ['kick', kick, STRAIGHT_LOUD.kick],
    ['snare', snare, STRAIGHT_LOUD.snare],
    ['hat', eighths.filter(isFelt), STRAIGHT_LOUD.hatOnBeat],
    ['hat', eighths.filter((at) => !isFelt(at)), STRAIGHT_LOUD.hat],
  ]
}

const struckIn = (beat: Beat, beats: number, placeOf: (given: number) => number): readonly DrumEvent[] =>
  beat.flatMap(([drum, places, loud]) =>
    places
      .map(placeOf)
      .filter((place) => place < beats)
      .map((at): DrumEvent => ({ part: 'drums', at, loud, drum })),
  )
