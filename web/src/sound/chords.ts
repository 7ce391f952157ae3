/** Chords as a score in free time, a beat a second: strummed, together, or one tone after another. */
import type { Score, ScoreEvent } from './score.ts'

export type PlayStyle = 'strum' | 'together' | 'arpeggio'

/** One chord to be heard. */
export interface Sounding {
  /** Low string to high. */
  readonly midis: readonly number[]
  /** The bass stand-in's note, if it plays along. */
  readonly bass?: number | undefined
}

export interface Manner {
  readonly style: PlayStyle
  readonly strum: 'down' | 'up'
  /** Milliseconds between neighbouring strings of a strum. */
  readonly strumMs: number
  /** Seconds from one chord of a row to the next. */
  readonly apart?: number
}

const ARPEGGIO_S = 0.28
const RING_S = 3

/** Seconds after the chord's start at which each of its pitches begins. */
export function onsetsOf(pitches: number, { style, strum, strumMs }: Manner): readonly number[] {
  return Array.from({ length: pitches }, (_, index) => {
    if (style === 'together') return 0
    if (style === 'arpeggio') return index * ARPEGGIO_S
    return ((strum === 'down' ? index : pitches - 1 - index) * strumMs) / 1000
  })
}

/** Chords one after another; the mark of every tone is the number of its chord. */
export function chordScore(chords: readonly Sounding[], manner: Manner): Score {
  const { apart = 1.3 } = manner
  const events = chords.flatMap(({ midis, bass }, index): readonly ScoreEvent[] => {
    const at = index * apart
    // A new chord takes the strings of the one before.
    const length = index < chords.length - 1 ? { length: apart - 0.02 } : {}
    const onsets = onsetsOf(midis.length, manner)
    return [
      ...midis.map(
        (midi, string): ScoreEvent => ({
          part: 'strings',
          at: at + (onsets[string] as number),
          loud: 1,
          midi,
          string,
          mark: index,
          ...(length.length === undefined
            ? {}
            : { length: Math.max(0.05, length.length - (onsets[string] as number)) }),
        }),
      ),
      ...(bass === undefined ? [] : [{ part: 'bass', at, loud: 1, midi: bass, ...length } as const]),
    ]
  })
  return { events, beats: (chords.length - 1) * apart + RING_S, loop: false }
}
