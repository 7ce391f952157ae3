/**
 * Notes in time: what sound, staff and TAB, the ear, and files all read. Always in beats (quarter notes), never in
 * seconds; every plucked note keeps the string, fret, finger and spelling that it really has.
 */
import type { Finger } from '../hand/index.ts'
import type { Fret, StringIndex } from '../neck/index.ts'
import type { Midi, Pitch } from '../pitch/index.ts'
import { beatsInBar, type Metre, pulses } from './metre.ts'

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
  /** Where the stroke that strikes it is written, when its string is reached a little later. Beats from the start. */
  readonly struckAt?: number | undefined
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

/** A click on every unit of the metre: the first of each bar accented, the others of its beats louder than what lies between. */
export function clicks(beats: number, metre: Metre): readonly ClickEvent[] {
  const step = 4 / metre.unit
  const felt = pulses(metre)
  const bar = beatsInBar(metre)
  return Array.from({ length: Math.ceil(beats / step - 1e-9) }, (_, index): ClickEvent => {
    const accent = index % metre.count === 0
    const isBeat = felt.some((at) => Math.abs(at - ((index * step) % bar)) < 1e-9)
    return { part: 'click', at: index * step, loud: accent ? 1 : isBeat ? 0.7 : 0.4, accent }
  })
}

/** The same event later, by so many beats. */
function later(event: ScoreEvent, beats: number): ScoreEvent {
  const moved = { ...event, at: event.at + beats }
  if (moved.part !== 'strings' || moved.struckAt === undefined) return moved
  return { ...moved, struckAt: moved.struckAt + beats }
}

/** The same music later, after bars in which only the clicks are heard. */
export function withCountIn(score: Score, bars: number): Score {
  const more = bars * beatsInBar(score.metre)
  return {
    ...score,
    countIn: score.countIn + more,
    beats: score.beats + more,
    events: [...clicks(more, score.metre), ...score.events.map((event) => later(event, more))],
    ...(score.paces ? { paces: score.paces.map((pace) => ({ ...pace, at: pace.at + more })) } : {}),
    ...(score.cues ? { cues: score.cues.map((cue) => ({ ...cue, at: cue.at + more })) } : {}),
  }
}

/**
 * Where a double bass would play a pitch class: from E1 up.
 * @param under The lowest note of the guitar: the bass stays below it, an octave lower where it must.
 */
export function bassNote(pitchClass: number, under = Number.POSITIVE_INFINITY): Midi {
  const midi = 28 + ((pitchClass - 4 + 12) % 12)
  return midi < under ? midi : midi - 12
}

export const stringEvents = ({ events }: Pick<Score, 'events'>): readonly StringEvent[] =>
  events.filter((event): event is StringEvent => event.part === 'strings')
