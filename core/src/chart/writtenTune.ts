/** A tune as staff and TAB write it: the played bars, each chord under the right hand's pattern, with what stands over them. */
import type { Neck } from '../neck/index.ts'
import { type WrittenBar, writtenBars } from '../time/index.ts'
import type { Frets } from '../voicing/index.ts'
import type { Played } from './played.ts'
import { type TuneSound, tuneScore } from './tuneScore.ts'

/** The strings alone. */
const ALONE: Omit<TuneSound, 'pattern'> = {
  style: 'straight',
  bass: undefined,
  drums: false,
  click: false,
  loop: false,
  countInBars: 0,
  tempo: 80,
}

/** Bars whose metre changes are read by their own; a chord that is held over a barline goes on there. */
export const writtenTune = (
  played: Played,
  shapes: readonly ({ readonly frets: Frets } | undefined)[],
  neck: Neck,
  pattern: string,
): readonly WrittenBar[] => writtenBars(tuneScore(played, shapes, neck, { ...ALONE, pattern }), played.bars)
