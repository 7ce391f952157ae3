/** Hearing the shape in hand, as the player likes it: strummed, together, one by one, over the bass, without the fifth. */

import type { Chord } from '@nestling/core/chord'
import { soundingMidi } from '@nestling/core/neck'
import { pitchClassOf } from '@nestling/core/pitch'
import { type Frets, voicingOf } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import type { PlayStyle, Sounding } from '../../sound/chords.ts'
import { bassNote } from '../../sound/score.ts'
import { $build, type BuildState, midisOf, neckIn, type Step } from '../../state/build/index.ts'
import { hearChords } from '../../state/hearing.ts'
import { $session } from '../../state/session.ts'

/** Leaves the fifth out of what is heard. */
export const $withoutFifth = atom(false)
function soundingOf(state: Pick<BuildState, 'build' | 'setting'>, frets: Frets): Sounding {
  const { chord } = state.build
  const neck = neckIn(state)
  const voicing = voicingOf(chord, frets, neck)
  const keep = (string: number) => !$withoutFifth.get() || voicing?.degrees[string]?.endsWith('5') !== true
  const midis = frets.flatMap((fret, string) =>
    fret === null || !keep(string) ? [] : [soundingMidi(neck, string, fret)],
  )
  if (!$session.get().settings.bassStandIn) return { midis }
  return { midis, bass: bassNote(pitchClassOf(chord.bass ?? chord.root)) }
}

const hear = (chords: readonly Sounding[], style: PlayStyle, apart?: number): void =>
  hearChords(chords, style, 'build', apart)

export function hearInHand(style: PlayStyle): void {
  const now = $build.get()
  if (now?.frets) hear([soundingOf(now, now.frets)], style)
}

/** Another shape, such as a neighbour that is pointed at. */
export function hearShape(frets: Frets, chord: Chord): void {
  const now = $build.get()
  if (now) hear([soundingOf({ ...now, build: { ...now.build, chord } }, frets)], 'strum')
}

/** Before and after: the step before, then the shape in hand. */
export function hearChange(before: Step): void {
  const now = $build.get()
  if (!now?.frets || !before.frets) return
  hear([soundingOf({ ...now, build: before.build }, before.frets), soundingOf(now, now.frets)], 'strum', 1.5)
}

/** The shape over one bass note. */
export function hearOverBass(pitchClass: number): void {
  const now = $build.get()
  if (now?.frets) hear([{ midis: midisOf(now, now.frets), bass: bassNote(pitchClass) }], 'strum')
}
