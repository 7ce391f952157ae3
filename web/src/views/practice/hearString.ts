/** One string of a shape, heard. */
import type { Neck } from '@nestling/core/neck'
import type { RunStep } from '@nestling/core/practice'
import { soundedNotes } from '@nestling/core/time'
import { strikeOver } from '../../sound/transport.ts'
import { mixOf } from '../../state/playback.ts'
import { $session } from '../../state/session.ts'

/** Over what plays, which goes on. */
export function stringNoteHeard({ shape, chord }: RunStep, string: number, fret: number, neck: Neck): void {
  const { settings } = $session.get()
  if (!shape || settings.muted) return
  const [note] = soundedNotes(
    shape.frets.map((_, index) => (index === string ? fret : null)),
    neck,
    chord,
  )
  if (note) void strikeOver([{ ...note, part: 'strings', at: 0, length: 2, loud: 0.8 }], 60, mixOf(settings))
}
