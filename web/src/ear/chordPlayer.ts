/** The simulated player under chords: strums a shape as it stands, or with the slips that hands make. */
import type { Neck } from '@nestling/core/neck'
import type { DrumEvent, StringEvent, StringNote } from '@nestling/core/time'

export const CHORD_PLAYS = [
  'right',
  'mixed',
  'late',
  'dull',
  'missing',
  'a fret off',
  'rings',
  'noise',
  'silent',
] as const
export type ChordPlays = (typeof CHORD_PLAYS)[number]

export interface ChordStrum {
  readonly notes: readonly StringNote[]
  readonly neck: Neck
  /** Beats from the start, and until the next chord. */
  readonly at: number
  readonly beats: number
  /** Quarter notes in a minute. */
  readonly tempo: number
  /** Numbers from 0 to below 1: which string slips, how loud and how well tuned each is. */
  readonly random: () => number
}

/** From string to string. */
const STRUM_S = 0.022
const LATE_S = 0.22
const DULL_BEATS = 0.06
/** Strings differ by so many decibels and hundredths of a semitone, each way. */
const LOUD_DB = 3
const CENTS = 6

/** What a mixed player does: mostly right. */
const MIXED: readonly ChordPlays[] = ['right', 'right', 'right', 'a fret off', 'right', 'missing', 'right', 'rings']

export function strummed(
  plays: ChordPlays,
  { notes, neck, at, beats, tempo, random }: ChordStrum,
): readonly StringEvent[] {
  const does = plays === 'mixed' ? (MIXED[Math.floor(random() * MIXED.length)] ?? 'right') : plays
  if (does === 'silent' || notes.length === 0) return []
  const slip = Math.floor(random() * notes.length)
  const inBeats = (seconds: number) => (seconds * tempo) / 60
  const start = at + (does === 'late' ? inBeats(LATE_S) : 0)
  const struck = notes.flatMap((note, index): readonly StringEvent[] => {
    const mine = index === slip
    if (does === 'missing' && mine) return []
    const off = does === 'a fret off' && mine ? (note.fret > 1 && random() < 0.5 ? -1 : 1) : 0
    const loud = 0.8 * 10 ** ((random() * 2 - 1) * (LOUD_DB / 20))
    const length = does === 'dull' && mine ? DULL_BEATS : beats * 0.9
    const midi = note.midi + off + ((random() * 2 - 1) * CENTS) / 100
    return [
      { ...note, part: 'strings', midi, fret: note.fret + off, at: start + inBeats(STRUM_S) * index, length, loud },
    ]
  })
  if (does !== 'rings') return struck
  const silent = neck.open.flatMap((midi, string) =>
    notes.some((note) => note.string === string) ? [] : [{ midi, string }],
  )
  const open = silent[Math.floor(random() * silent.length)]
  const [first] = notes
  if (!open || !first) return struck
  const ringing: StringEvent = {
    ...first,
    midi: open.midi,
    string: open.string,
    fret: 0,
    part: 'strings',
    at: start,
    length: beats * 0.9,
    loud: 0.7,
  }
  return [ringing, ...struck]
}

/** A line of single notes, the same slips as far as a line can have them. */
export function picked(plays: ChordPlays, { notes, at, beats, tempo, random }: ChordStrum): readonly StringEvent[] {
  if (plays === 'silent') return []
  const each = beats / Math.max(1, notes.length)
  const slip = Math.floor(random() * notes.length)
  const slips = plays === 'mixed' ? random() < 0.3 : plays !== 'right'
  return notes.flatMap((note, index): readonly StringEvent[] => {
    const mine = index === slip && slips
    if (mine && (plays === 'missing' || plays === 'dull')) return []
    const off = mine && (plays === 'a fret off' || plays === 'mixed') ? 1 : 0
    const late = plays === 'late' ? (LATE_S * tempo) / 60 : 0
    return [
      {
        ...note,
        part: 'strings',
        midi: note.midi + off,
        fret: note.fret + off,
        at: at + late + index * each,
        length: each,
        loud: 0.85,
      },
    ]
  })
}

/** A noisy room over a chord: drum hits where it should ring. */
export const noiseOver = ({ at, beats }: Pick<ChordStrum, 'at' | 'beats'>): readonly DrumEvent[] =>
  Array.from({ length: Math.floor(beats * 4) }, (_, index) => ({
    part: 'drums',
    drum: 'hat',
    at: at + index / 4,
    loud: 1,
  }))
