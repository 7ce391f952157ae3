/** Hearing the shape in hand, as the player likes it: strummed, together, one by one, over the bass, without the fifth. */
import type { Chord } from '@nestling/core/chord'
import { type Frets, midisOf, voicingOf } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import type { PlayStyle, Sounding } from '../../sound/chords.ts'
import { bassNote } from '../../sound/score.ts'
import { $build, type BuildState, neckIn, type Step } from '../../state/build/index.ts'
import { hearChords, soundingOf } from '../../state/hearing.ts'

/** Leaves the fifth out of what is heard. */
export const $withoutFifth = atom(false)

function heardOf(state: Pick<BuildState, 'build' | 'setting'>, frets: Frets): Sounding {
  const { chord } = state.build
  const neck = neckIn(state)
  const degrees = $withoutFifth.get() ? voicingOf(chord, frets, neck)?.degrees : undefined
  const kept = frets.map((fret, string) => (degrees?.[string]?.endsWith('5') ? null : fret))
  return soundingOf(chord, midisOf(kept, neck))
}

const hear = (chords: readonly Sounding[], style: PlayStyle, apart?: number): void =>
  hearChords(chords, style, 'build', apart)

export function hearInHand(style: PlayStyle): void {
  const now = $build.get()
  if (now?.frets) hear([heardOf(now, now.frets)], style)
}

/** Another shape, such as a neighbour that is pointed at. */
export function hearShape(frets: Frets, chord: Chord): void {
  const now = $build.get()
  if (now) hear([heardOf({ ...now, build: { ...now.build, chord } }, frets)], 'strum')
}

/** Before and after: the step before, then the shape in hand. */
export function hearChange(before: Step): void {
  const now = $build.get()
  if (!now?.frets || !before.frets) return
  hear([heardOf({ ...now, build: before.build }, before.frets), heardOf(now, now.frets)], 'strum', 1.5)
}

/** The shape over one bass note. */
export function hearOverBass(pitchClass: number): void {
  const now = $build.get()
  if (now?.frets) hear([{ midis: midisOf(now.frets, neckIn(now)), bass: bassNote(pitchClass) }], 'strum')
}
