/** A player that ships with the application: plays a line as it stands, or with the slips that people make. */
import { type Score, type ScoreEvent, type StringEvent, stringEvents } from '@nestling/core/time'

export const PLAYS = ['right', 'wrong note', 'late', 'leaves out', 'silent', 'noise'] as const
export type Plays = (typeof PLAYS)[number]

/** The third note is the one that goes wrong; in a short line the last. */
const SLIP = 2
const LATE_S = 0.12

/** @returns The events that the simulated player strikes; of a line alone, one note ends the one before. */
export function simulated(score: Score, plays: Plays, tempo: number): readonly StringEvent[] {
  const line = stringEvents(score).toSorted((a, b) => a.at - b.at)
  const slip = Math.min(SLIP, line.length - 1)
  const played = line.map((event, index): StringEvent => {
    if (index !== slip) return event
    if (plays === 'wrong note') return { ...event, midi: event.midi + 1, fret: event.fret + 1 }
    return event
  })
  switch (plays) {
    case 'silent':
    case 'noise':
      return []
    case 'leaves out':
      return damped(played.toSpliced(slip, 1))
    case 'late':
      return damped(played.map((event) => ({ ...event, at: event.at + (LATE_S * tempo) / 60 })))
    default:
      return damped(played)
  }
}

const damped = (line: readonly StringEvent[]): readonly StringEvent[] =>
  line.map((event, index) => {
    const next = line[index + 1]
    return next === undefined ? event : { ...event, length: next.at - event.at }
  })

/** A noisy room: drum hits where notes should be. */
export const noiseFor = (score: Score): readonly ScoreEvent[] =>
  score.events.flatMap((event): readonly ScoreEvent[] =>
    event.part === 'strings'
      ? [0, 0.25, 0.5, 0.75].map((after) => ({
          part: 'drums',
          drum: 'hat',
          at: event.at + after * (event.length ?? 0.5),
          loud: 1,
        }))
      : [],
  )
