/** Who plays along: bass, drums and click, in every view by the same tables (`rhythms.ts`). */
import { beatsInBar, type Metre } from '../metre.ts'
import { clicks, type ScoreEvent } from '../score.ts'
import { type BandChord, bassFor } from './bass.ts'
import { type BandBar, drumsFor } from './drums.ts'
import type { BassLine, DrumStyle } from './rhythms.ts'

export type { BandChord } from './bass.ts'
export { bassFor } from './bass.ts'
export type { BandBar } from './drums.ts'
export { drumsFor } from './drums.ts'
export type { BassLine, DrumStyle } from './rhythms.ts'
export { BASS_LINES, DRUM_STYLES } from './rhythms.ts'

export interface Band {
  /** `undefined` for who doesn't play. */
  readonly bass: BassLine | undefined
  readonly drums: DrumStyle | undefined
  readonly click: boolean
}

/** @param loop After the last chord comes the first. */
export const bandEvents = (
  { bass, drums, click }: Band,
  chords: readonly BandChord[],
  bars: readonly BandBar[],
  loop: boolean,
): readonly ScoreEvent[] => [
  ...(bass === undefined ? [] : bassFor(bass, chords, loop)),
  ...(drums === undefined ? [] : drumsFor(drums, bars)),
  ...(click
    ? bars.flatMap(({ at, metre }) =>
        clicks(beatsInBar(metre), metre).map((event) => ({ ...event, at: event.at + at })),
      )
    : []),
]

/** Bars of one metre, as one part of so many beats. */
export function barsOf(beats: number, metre: Metre): readonly BandBar[] {
  const bar = beatsInBar(metre)
  const count = Math.ceil(beats / bar - 1e-9)
  return Array.from({ length: count }, (_, index) => ({ at: index * bar, metre, endsPart: index === count - 1 }))
}
