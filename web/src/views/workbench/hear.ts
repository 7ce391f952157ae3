/** Hearing the shape in hand, as the player likes it: strummed, together, one by one, over the bass, without the fifth. */
import type { Chord } from '@nestling/core/chord'
import { bassNote, soundedNotes } from '@nestling/core/time'
import { type Frets, voicingOf } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import type { PlayStyle, Sounding } from '../../sound/chords.ts'
import { hearChords, lowestOf, soundingOf } from '../../state/playback.ts'
import { $workbench, asked, neckIn, type Step, type WorkbenchState } from '../../state/workbench/index.ts'

/** Leaves the fifth out of what is heard. */
export const $withoutFifth = atom(false)

/** What is pressed without its fifth: only a perfect one can be left to the ear. */
export const withoutFifth = (frets: Frets, degrees: readonly (string | null)[]): Frets =>
  frets.map((fret, string) => (degrees[string] === '5' ? null : fret))

function heardOf(state: Pick<WorkbenchState, 'question' | 'player'>, frets: Frets): Sounding {
  const { chord } = state.question
  const neck = neckIn(state)
  const degrees = $withoutFifth.get() ? voicingOf(chord, frets, neck)?.degrees : undefined
  return soundingOf(chord, soundedNotes(degrees ? withoutFifth(frets, degrees) : frets, neck, chord))
}

const hear = (chords: readonly Sounding[], style: PlayStyle, apart?: number): void =>
  hearChords(chords, style, 'workbench', apart)

export function hearInHand(style: PlayStyle): void {
  const now = $workbench.get()
  if (now?.frets) hear([heardOf(now, now.frets)], style)
}

/** Another shape, such as a neighbour that is pointed at. */
export function hearShape(frets: Frets, chord: Chord): void {
  const now = $workbench.get()
  if (now) hear([heardOf({ ...now, question: { ...now.question, chord } }, frets)], 'strum')
}

/** The same from a key, where there is a step before. */
export function hearBeforeAfter(): void {
  const { before } = asked.$past.get()
  if (before) hearChange(before)
}

/** Before and after: the step before, then the shape in hand. */
export function hearChange(before: Step): void {
  const now = $workbench.get()
  if (!now?.frets || !before.frets) return
  hear([heardOf({ ...now, question: before.question }, before.frets), heardOf(now, now.frets)], 'strum', 1.5)
}

/** The shape over one bass note. */
export function hearOverBass(pitchClass: number): void {
  const now = $workbench.get()
  if (!now?.frets) return
  const notes = soundedNotes(now.frets, neckIn(now), now.question.chord)
  hear([{ notes, bass: bassNote(pitchClass, lowestOf(notes)) }], 'strum')
}
