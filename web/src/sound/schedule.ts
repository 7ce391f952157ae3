/** A score on a clock: the same for what is heard and for what is rendered into a file. */

import { paceAt, type Score, type ScoreEvent, type Swing, swingDelay, swungNote } from '@nestling/core/time'
import type { Band, ToneLibrary } from './band.ts'

export type Clock = ReturnType<ToneLibrary['getTransport']>

export interface ClockOptions {
  /** Quarter notes in a minute. */
  readonly tempo: number
  readonly swing: Swing
  /** Told of every event before it sounds, with its time in the audio context. */
  readonly onEvent?: (event: ScoreEvent, time: number) => void
  /** Told of every cue before it comes. */
  readonly onCue?: ((mark: number, time: number) => void) | undefined
  /** Asked where a loop begins anew: the tempo of the next round, after so many and the last one's tempo. */
  readonly onRound?: ((rounds: number, tempo: number) => number) | undefined
}

/** What may change while a score goes on. */
export interface Running {
  readonly setTempo: (tempo: number) => void
  readonly setSwing: (swing: Swing) => void
}

/** A tick on the edge of two of Tone's looks is told in both, 10⁻¹⁴ s apart: it is struck once. */
const SAME_TICK_S = 0.001

export function scheduleScore(
  clock: Clock,
  band: Band,
  score: Score,
  { tempo, swing: asked, onEvent, onCue, onRound }: ClockOptions,
): Running {
  let now = tempo
  let swing = asked
  const { metre } = score
  let factor = paceAt(score, 0)
  clock.bpm.value = now * factor
  clock.loop = score.loop
  clock.setLoopPoints(ticks(clock, score.countIn), ticks(clock, score.beats))
  const once = (beats: number, act: (time: number) => void) => {
    let last = Number.NEGATIVE_INFINITY
    clock.schedule(
      (time) => {
        if (time - last < SAME_TICK_S) return
        last = time
        act(time)
      },
      ticks(clock, beats),
    )
  }
  if (score.loop && onRound) {
    let rounds = 0
    once(score.countIn, (time) => {
      if (rounds > 0) {
        now = onRound(rounds, now)
        clock.bpm.setValueAtTime(now * factor, time)
      }
      rounds++
    })
  }
  for (const pace of score.paces ?? [])
    once(pace.at, (time) => {
      factor = pace.factor
      clock.bpm.setValueAtTime(now * factor, time)
    })
  // What swings is told of at its written time, and sounds later: so it can be changed while it goes on.
  for (const { at, mark } of score.cues ?? [])
    once(at, (time) => onCue?.(mark, time + (swingDelay(at, metre, swing) * 60) / (now * paceAt(score, at))))
  for (const event of score.events) {
    const pace = paceAt(score, event.at)
    once(event.at, (time) => {
      const beat = 60 / (now * pace)
      const { at, length } = swungNote(event, metre, swing)
      const sounds = time + (at - event.at) * beat
      onEvent?.(event, sounds)
      band.strike(length === undefined ? event : ({ ...event, length } as ScoreEvent), sounds, beat)
    })
  }
  return {
    setTempo: (next) => {
      now = next
      clock.bpm.value = next * factor
    },
    setSwing: (next) => {
      swing = next
    },
  }
}

export const ticks = (clock: Clock, beats: number): string => `${Math.round(beats * clock.PPQ)}i`
