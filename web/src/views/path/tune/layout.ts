/** The tune from left to right: in true time, but no chord so narrow that it can't be read. All lengths in px. */
import type { Played } from '@nestling/core/chart'
import type { Chord } from '@nestling/core/chord'
import type { PathShape, PathStep } from '@nestling/core/path'
import { type Degree, degreePitchClass } from '@nestling/core/pitch'

export interface TuneColumn {
  readonly chord: number
  readonly x: number
  readonly width: number
}
export interface TuneBar {
  readonly bar: number
  readonly x: number
  readonly width: number
}
export interface TuneLayout {
  readonly columns: readonly TuneColumn[]
  readonly bars: readonly TuneBar[]
  readonly width: number
  /** Where a beat (from the start of the tune) lies. */
  readonly xAt: (beat: number) => number
}

export const BEAT_PX = 24
const LEAST_CHORD = 78
const LEAST_BAR = 96

export interface TuneRoom {
  /** Of the drawing's time, 1 as it opens. */
  readonly scale?: number
  /** In a room this narrow this chord and the next one fill it; 0 where it is not known. */
  readonly room?: number
}

/** Below this a room shows two chords side by side. */
const NARROW_ROOM = 420
export const isNarrow = (room: number): boolean => room > 0 && room < NARROW_ROOM

export function tuneLayout({ bars, chords }: Played, { scale = 1, room = 0 }: TuneRoom = {}): TuneLayout {
  const beatPx = BEAT_PX * scale
  const leastChord = isNarrow(room) ? room / 2 : LEAST_CHORD
  const leastBar = isNarrow(room) ? room / 2 : LEAST_BAR * Math.max(1, scale)

  const columns: TuneColumn[] = []
  const placed: TuneBar[] = []
  /** Stretches of the tune, each as wide as it needs: beats to px. */
  const stretches: { readonly at: number; readonly beats: number; readonly x: number; readonly width: number }[] = []
  let x = 0
  for (const [index, bar] of bars.entries()) {
    const own = chords.flatMap((chord, place) => (chord.bar === index ? [{ ...chord, place }] : []))
    const end = bar.at + bar.beats
    const cuts = [...new Set([bar.at, ...own.map(({ at }) => at), end])].sort((a, b) => a - b)
    const parts = cuts.slice(1).map((to, place) => {
      const from = cuts[place] as number
      const chord = own.find(({ at }) => Math.abs(at - from) < 1e-9)
      return { from, beats: to - from, chord, width: Math.max(chord ? leastChord : 0, (to - from) * beatPx) }
    })
    const needed = parts.reduce((sum, { width }) => sum + width, 0)
    const stretch = Math.max(1, leastBar / Math.max(1, needed))
    const start = x
    for (const { from, beats, chord, width } of parts) {
      stretches.push({ at: from, beats, x, width: width * stretch })
      if (chord) columns.push({ chord: chord.place, x, width: width * stretch })
      x += width * stretch
    }
    placed.push({ bar: index, x: start, width: x - start })
  }
  return {
    columns,
    bars: placed,
    width: x,
    xAt: (beat) => {
      const within = stretches.findLast(({ at }) => at <= beat + 1e-9)
      return within ? within.x + (Math.min(within.beats, beat - within.at) / within.beats) * within.width : 0
    },
  }
}

/** One voice from a chord to the next: by its place among the sorted voices of either, and by how many semitones it goes. */
export interface VoiceMove {
  readonly from: number
  readonly to: number
  readonly by: number
}

/** A step tells moves from the lowest voice of the fuller chord up; here they have both ends. */
export function voiceMoves({ moves }: Pick<PathStep, 'moves'>, before: number, after: number): readonly VoiceMove[] {
  let paired = 0
  return moves.flatMap((by, place): readonly VoiceMove[] => {
    if (by === undefined) return []
    const other = paired++
    return [before > after ? { from: place, to: other, by } : { from: other, to: place, by }]
  })
}

/** What sounds, from the lowest. */
export const voicesOf = ({ midis, degrees }: PathShape) =>
  midis
    .flatMap((midi, string) => {
      const degree = degrees[string]
      return midi === null || !degree ? [] : [{ midi, degree, string }]
    })
    .toSorted((a, b) => a.midi - b.midi)

/** The degree that a tone is in a chord, so many semitones above its root. */
export const degreeAt = ({ formula }: Pick<Chord, 'formula'>, semitones: number): Degree =>
  formula.find((degree) => degreePitchClass(degree) === ((semitones % 12) + 12) % 12) ?? 'R'
