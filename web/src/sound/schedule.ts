/** A score on a clock: the same for what is heard and for what is rendered into a file. */

import { paceAt, type Score, type ScoreEvent } from '@nestling/core/time'
import type { Band, ToneLibrary } from './band.ts'

export type Clock = ReturnType<ToneLibrary['getTransport']>

export interface ClockOptions {
  /** Quarter notes in a minute. */
  readonly tempo: number
  /** 0 straight to 100, the second eighth as in triplets. */
  readonly swing: number
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
}

/** A tick on the edge of two of Tone's looks is told in both, 10⁻¹⁴ s apart: it is struck once. */
const SAME_TICK_S = 0.001

export function scheduleScore(
  clock: Clock,
  band: Band,
  score: Score,
  { tempo, swing, onEvent, onCue, onRound }: ClockOptions,
): Running {
  let now = tempo
  let factor = paceAt(score, 0)
  clock.bpm.value = now * factor
  setSwingOf(clock, swing)
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
  for (const { at, mark } of score.cues ?? []) once(at, (time) => onCue?.(mark, time))
  for (const event of score.events) {
    const pace = paceAt(score, event.at)
    once(event.at, (time) => {
      onEvent?.(event, time)
      band.strike(event, time, 60 / (now * pace))
    })
  }
  return {
    setTempo: (next) => {
      now = next
      clock.bpm.value = next * factor
    },
  }
}

export const ticks = (clock: Clock, beats: number): string => `${Math.round(beats * clock.PPQ)}i`

/** Tone moves the second eighth by a third of a beat at 1; triplets are half of that. */
export function setSwingOf(clock: Clock, percent: number): void {
  clock.swingSubdivision = '8n'
  clock.swing = percent / 200
}
