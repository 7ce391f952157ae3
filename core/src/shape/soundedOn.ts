/** Where a shape sounds the chord that it is called by: its four texts don't say under which capo it is held. */
import { type Instrument, type Neck, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { type Voicing, voicingOf } from '../voicing/index.ts'
import { neckFor } from './neckFor.ts'
import type { Shape } from './types.ts'

/** Higher than this nobody clamps a neck. */
const HIGHEST_CAPO = 11

/**
 * On the first of these necks: the player's own with their capos where they are tuned alike, one without a capo, one under a
 * capo over all strings, the lower fret first.
 * @returns `undefined` where it sounds its chord on none of them.
 */
export function soundedOn(
  shape: Shape,
  instruments: readonly Instrument[] = [],
): { readonly neck: Neck; readonly voicing: Voicing } | undefined {
  for (const instrument of necks(shape, instruments)) {
    const neck = neckFor(shape, instrument)
    const voicing = voicingOf(shape.chord, shape.frets, neck)
    if (voicing) return { neck, voicing }
  }
  return undefined
}

function* necks({ frets, tuning }: Shape, instruments: readonly Instrument[]): Iterable<Instrument> {
  yield* instruments
  yield STANDARD_INSTRUMENT
  // What is pressed sounds the same wherever the capo is.
  if (!frets.includes(0)) return
  for (let fret = 1; fret <= HIGHEST_CAPO; fret++)
    yield { ...STANDARD_INSTRUMENT, tuning, capo: { fret, strings: 'all' } }
}
