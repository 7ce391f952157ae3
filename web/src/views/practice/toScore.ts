/** A run as music: a bar or more for each chord, its beats as cues, the band, and what a simulated player strikes. */
import type { Neck } from '@nestling/core/neck'
import { pitchAt } from '@nestling/core/pitch'
import type { RunStep } from '@nestling/core/practice'
import {
  bandEvents,
  barsOf,
  beatsInBar,
  FOUR_FOUR,
  type Score,
  type ScoreEvent,
  type StringNote,
  soundedNotes,
  withCountIn,
} from '@nestling/core/time'
import { type BandSettings, bandOf } from '../../contracts/settings.ts'

export const BEATS_IN_BAR = beatsInBar(FOUR_FOUR)

/** Who plays the strings, where the program does. */
export type Struck = (step: RunStep, index: number, at: number, beats: number) => readonly ScoreEvent[]

/**
 * The mark of a beat is its number since the start of the round.
 * @param under The guitar's lowest string: the bass stays below.
 */
export function scoreOf(
  steps: readonly RunStep[],
  bars: number,
  settings: BandSettings,
  struck: Struck | undefined,
  under?: number,
): Score {
  const each = bars * BEATS_IN_BAR
  const beats = steps.length * each
  const chords = steps.map(({ chord }, index) => ({ chord, at: index * each, beats: each, under }))
  return withCountIn(
    {
      metre: FOUR_FOUR,
      countIn: 0,
      loop: true,
      beats,
      cues: Array.from({ length: beats }, (_, at) => ({ at, mark: at })),
      events: [
        ...(struck ? steps.flatMap((step, index) => struck(step, index, index * each, each)) : []),
        ...bandEvents(bandOf(settings), chords, barsOf(beats, FOUR_FOUR), true),
      ],
    },
    // Without a bar before it nobody finds the first chord.
    Math.max(1, settings.countInBars),
  )
}

/** The tones of a step where they lie, an arpeggio's in the order of playing. */
export function notesOf({ chord, shape, line }: RunStep, neck: Neck): readonly StringNote[] {
  if (line)
    return line.map(({ midi, note, string, fret, finger }) => ({
      midi,
      pitch: pitchAt(note, midi),
      string,
      fret,
      finger,
    }))
  return shape ? soundedNotes(shape.frets, neck, chord) : []
}
