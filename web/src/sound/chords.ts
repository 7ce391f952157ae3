/** Chords as a score: strummed, together, or one tone after another. */
import { FOUR_FOUR, type Score, type ScoreEvent, type StringNote } from '@nestling/core/time'

export type PlayStyle = 'strum' | 'together' | 'arpeggio'

/** One chord to be heard. */
export interface Sounding {
  /** Low string to high. */
  readonly notes: readonly StringNote[]
  /** The bass stand-in's note, if it plays along. */
  readonly bass?: number | undefined
}

export interface Manner {
  readonly style: PlayStyle
  readonly strum: 'down' | 'up'
  /** Milliseconds between neighbouring strings of a strum. */
  readonly strumMs: number
  /** Beats from one chord of a row to the next. */
  readonly apart?: number
}

/** Chords are heard in no tempo of the player's: a beat of theirs lasts a second. */
export const CHORD_TEMPO = 60
const ARPEGGIO_BEATS = 0.28
const RING_BEATS = 3

/** Beats after the chord's start at which each of its pitches begins. */
export function onsetsOf(pitches: number, { style, strum, strumMs }: Manner): readonly number[] {
  const strumBeats = (strumMs / 1000) * (CHORD_TEMPO / 60)
  return Array.from({ length: pitches }, (_, index) => {
    if (style === 'together') return 0
    if (style === 'arpeggio') return index * ARPEGGIO_BEATS
    return (strum === 'down' ? index : pitches - 1 - index) * strumBeats
  })
}

/** Chords one after another; the mark of every tone is the number of its chord. */
export function chordScore(chords: readonly Sounding[], manner: Manner): Score {
  const { apart = 1.3 } = manner
  const events = chords.flatMap(({ notes, bass }, index): readonly ScoreEvent[] => {
    const at = index * apart
    // A new chord takes the strings of the one before.
    const length = index < chords.length - 1 ? apart - 0.02 : undefined
    const onsets = onsetsOf(notes.length, manner)
    return [
      ...notes.map((note, voice): ScoreEvent => {
        const onset = onsets[voice] as number
        const rings = length === undefined ? {} : { length: Math.max(0.05, length - onset) }
        return { ...note, part: 'strings', at: at + onset, loud: 1, mark: index, ...rings }
      }),
      ...(bass === undefined
        ? []
        : [{ part: 'bass', at, loud: 1, midi: bass, ...(length === undefined ? {} : { length }) } as const]),
    ]
  })
  return { metre: FOUR_FOUR, countIn: 0, beats: (chords.length - 1) * apart + RING_BEATS, loop: false, events }
}
