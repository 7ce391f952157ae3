/** A shape, held through a bar, as it is written. */
import type { Chord } from '@nestling/core/chord'
import type { Neck } from '@nestling/core/neck'
import { FOUR_FOUR, soundedNotes, type WrittenBar, writtenBars } from '@nestling/core/time'
import type { Frets } from '@nestling/core/voicing'

export function barHeld(chord: Chord, frets: Frets, neck: Neck): readonly WrittenBar[] {
  const beats = 4
  const events = soundedNotes(frets, neck, chord).map((note) => ({
    ...{ part: 'strings' as const, at: 0, loud: 1, length: beats },
    ...note,
  }))
  return writtenBars({ metre: FOUR_FOUR, countIn: 0, beats, loop: false, events })
}
