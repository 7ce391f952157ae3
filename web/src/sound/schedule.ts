/** A score on a clock: the same for what is heard and for what is rendered into a file. */

import type { Score, ScoreEvent } from '@nestling/core/time'
import type { Band, ToneLibrary } from './band.ts'

export type Clock = ReturnType<ToneLibrary['getTransport']>

export interface ClockOptions {
  /** Quarter notes in a minute. */
  readonly tempo: number
  /** 0 straight to 100, the second eighth as in triplets. */
  readonly swing: number
  /** Told of every event before it sounds, with its time in the audio context. */
  readonly onEvent?: (event: ScoreEvent, time: number) => void
}

/** A tick on the edge of two of Tone's looks is told in both, 10⁻¹⁴ s apart: it is struck once. */
const SAME_TICK_S = 0.001

export function scheduleScore(clock: Clock, band: Band, score: Score, { tempo, swing, onEvent }: ClockOptions): void {
  clock.bpm.value = tempo
  setSwingOf(clock, swing)
  clock.loop = score.loop
  clock.setLoopPoints(ticks(clock, score.countIn), ticks(clock, score.beats))
  for (const event of score.events) {
    let last = Number.NEGATIVE_INFINITY
    clock.schedule(
      (time) => {
        if (time - last < SAME_TICK_S) return
        last = time
        onEvent?.(event, time)
        band.strike(event, time, 60 / clock.bpm.value)
      },
      ticks(clock, event.at),
    )
  }
}

export const ticks = (clock: Clock, beats: number): string => `${Math.round(beats * clock.PPQ)}i`

/** Tone moves the second eighth by a third of a beat at 1; triplets are half of that. */
export function setSwingOf(clock: Clock, percent: number): void {
  clock.swingSubdivision = '8n'
  clock.swing = percent / 200
}
