/**
 * Notes in time: what sound, staff and TAB, the ear, and files all read. Always in beats (quarter notes), never in
 * seconds; every plucked note keeps the string, fret, finger and spelling that it really has.
 */
import type { Finger } from '../hand/index.ts'
import type { Fret, StringIndex } from '../neck/index.ts'
import type { Midi, Pitch } from '../pitch/index.ts'
import { beatsInBar, type Metre } from './metre.ts'

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

/** A plucked note where it lies. */
export interface StringNote {
  readonly midi: Midi
  readonly pitch: Pitch
  readonly string: StringIndex
  readonly fret: Fret
  readonly finger?: Finger | null | undefined
}

export interface StringEvent extends Timed, StringNote {
  readonly part: 'strings'
  /** Beats until the note is damped; without it, it rings until its string is struck again. */
  readonly length?: number | undefined
  readonly accent?: boolean | undefined
  /** What the cursor shows while it sounds. */
  readonly mark?: number | undefined
}
export interface BassEvent extends Timed {
  readonly part: 'bass'
  readonly midi: Midi
  readonly length?: number | undefined
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

/** From here on the music goes so many times as quick as its tempo. */
export interface Pace {
  /** Beats from the start. */
  readonly at: number
  readonly factor: number
}

/** What a page shows at a beat, without a sound of its own. */
export interface Cue {
  /** Beats from the start. */
  readonly at: number
  readonly mark: number
}

export interface Score {
  readonly metre: Metre
  /** Beats at the start in which only clicks are heard; a loop leaves them out. */
  readonly countIn: number
  /** Where it ends, or begins anew: the count-in and all that follows. */
  readonly beats: number
  readonly loop: boolean
  readonly events: readonly ScoreEvent[]
  /** Changes of tempo within it, the earlier first; the count-in goes at the tempo of what follows. */
  readonly paces?: readonly Pace[] | undefined
  readonly cues?: readonly Cue[] | undefined
}

/** How quickly the music goes at a beat, as a multiple of its tempo. */
export const paceAt = ({ paces = [] }: Pick<Score, 'paces'>, beat: number): number =>
  (paces.findLast(({ at }) => at <= beat + 1e-9) ?? paces[0])?.factor ?? 1

/** How long a score lasts, played once at so many beats in a minute. */
export function secondsOf({ beats, paces = [] }: Pick<Score, 'beats' | 'paces'>, tempo: number): number {
  const cuts = [0, ...paces.map(({ at }) => at).filter((at) => at > 0 && at < beats), beats]
  return cuts.slice(1).reduce((sum, end, index) => {
    const from = cuts[index] as number
    return sum + ((end - from) * 60) / (tempo * paceAt({ paces }, from))
  }, 0)
}

/** A click on every beat of the metre, the first of each bar accented. */
export function clicks(beats: number, metre: Metre): readonly ClickEvent[] {
  const step = 4 / metre.unit
  return Array.from({ length: Math.ceil(beats / step - 1e-9) }, (_, index): ClickEvent => {
    const accent = index % metre.count === 0
    return { part: 'click', at: index * step, loud: accent ? 1 : 0.7, accent }
  })
}

/** A plain beat: kick on one and three, snare on two and four, hats in eighths; in three, the snare on two and three. */
export function plainBeat(beats: number, metre: Metre): readonly DrumEvent[] {
  const bar = beatsInBar(metre)
  return Array.from({ length: Math.ceil(beats - 1e-9) }, (_, at) => at).flatMap((at): readonly DrumEvent[] => {
    const inBar = at % bar
    const kick = inBar === 0 || (bar === 4 && inBar === 2)
    return [
      { part: 'drums', at, loud: kick ? 0.9 : 0.75, drum: kick ? 'kick' : 'snare' },
      { part: 'drums', at, loud: 0.5, drum: 'hat' },
      { part: 'drums', at: at + 0.5, loud: 0.35, drum: 'hat' },
    ]
  })
}

/** The same music later, after bars in which only the clicks are heard. */
export function withCountIn(score: Score, bars: number): Score {
  const more = bars * beatsInBar(score.metre)
  return {
    ...score,
    countIn: score.countIn + more,
    beats: score.beats + more,
    events: [...clicks(more, score.metre), ...score.events.map((event) => ({ ...event, at: event.at + more }))],
    ...(score.paces ? { paces: score.paces.map((pace) => ({ ...pace, at: pace.at + more })) } : {}),
    ...(score.cues ? { cues: score.cues.map((cue) => ({ ...cue, at: cue.at + more })) } : {}),
  }
}

/** Where a double bass would play a pitch class: from E1 up. */
export const bassNote = (pitchClass: number): Midi => 28 + ((pitchClass - 4 + 12) % 12)

export const stringEvents = ({ events }: Pick<Score, 'events'>): readonly StringEvent[] =>
  events.filter((event): event is StringEvent => event.part === 'strings')
