/** What is to be played: events in quarter-note beats, for the four parts of the band. */
export const PARTS = ['strings', 'bass', 'drums', 'click'] as const
export type Part = (typeof PARTS)[number]

export const DRUMS = ['kick', 'snare', 'hat'] as const
export type Drum = (typeof DRUMS)[number]

interface Timed {
  /** Beats from the start. */
  readonly at: number
  /** 0 to 1. */
  readonly loud: number
}

export interface StringEvent extends Timed {
  readonly part: 'strings'
  readonly midi: number
  /** A new note on a string ends the one before on it. */
  readonly string: number
  /** Beats until the note is damped; without it, it rings until its string is struck again. */
  readonly length?: number
  /** What the cursor shows while it sounds. */
  readonly mark?: number
}
export interface BassEvent extends Timed {
  readonly part: 'bass'
  readonly midi: number
  readonly length?: number
}
export interface DrumEvent extends Timed {
  readonly part: 'drums'
  readonly drum: Drum
}
export interface ClickEvent extends Timed {
  readonly part: 'click'
  readonly accent: boolean
}
export type ScoreEvent = StringEvent | BassEvent | DrumEvent | ClickEvent

export interface Score {
  readonly events: readonly ScoreEvent[]
  /** Where it ends, or begins anew. */
  readonly beats: number
  readonly loop: boolean
}

/** A click on every beat, the first of each bar accented. */
export const clicks = (beats: number, beatsPerBar: number): readonly ClickEvent[] =>
  Array.from({ length: Math.ceil(beats - 1e-9) }, (_, at) => ({
    part: 'click',
    at,
    loud: at % beatsPerBar === 0 ? 1 : 0.7,
    accent: at % beatsPerBar === 0,
  }))

/** A plain beat: kick on one and three, snare on two and four, hats in eighths; in three, the snare on two and three. */
export const plainBeat = (beats: number, beatsPerBar: number): readonly DrumEvent[] =>
  Array.from({ length: Math.ceil(beats - 1e-9) }, (_, at) => at).flatMap((at): readonly DrumEvent[] => {
    const inBar = at % beatsPerBar
    const kick = inBar === 0 || (beatsPerBar === 4 && inBar === 2)
    return [
      { part: 'drums', at, loud: kick ? 0.9 : 0.75, drum: kick ? 'kick' : 'snare' },
      { part: 'drums', at, loud: 0.5, drum: 'hat' },
      { part: 'drums', at: at + 0.5, loud: 0.35, drum: 'hat' },
    ]
  })

/** The same music later, after bars in which only the clicks are heard. */
export function withCountIn(score: Score, bars: number, beatsPerBar: number): Score & { readonly countIn: number } {
  const countIn = bars * beatsPerBar
  return {
    ...score,
    countIn,
    beats: score.beats + countIn,
    events: [...clicks(countIn, beatsPerBar), ...score.events.map((event) => ({ ...event, at: event.at + countIn }))],
  }
}

/** Where a double bass would play a pitch class: from E1 up. */
export const bassNote = (pitchClass: number): number => 28 + ((pitchClass - 4 + 12) % 12)

/** Decibels of a volume from 0 to 100: loudness halves about every 30 percent; 70 is as loud as it was made. */
export const decibels = (percent: number): number =>
  percent <= 0 ? Number.NEGATIVE_INFINITY : 30 * Math.log10(percent / 70)
