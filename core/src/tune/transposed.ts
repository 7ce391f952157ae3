/**
 * A tune in another key with all that is held in it.
 *   chart + held shapes + top tones ─transposedTune→ the same in the other key, and what could not stay as it was
 */
import { transposedChart } from '../chart/index.ts'
import { type HandProfile, handOn } from '../hand/index.ts'
import type { Key } from '../key/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import { type Midi, pitchClassOf } from '../pitch/index.ts'
import { centreOf, type Frets } from '../voicing/index.ts'
import type { HeldShape, TopTone, Tune } from './types.ts'

export type HeldTune = Pick<Tune, 'chart' | 'held' | 'melody'>

/**
 * What did not go along as it was: the same form an octave elsewhere, or nothing.
 *   shape  `to` is missing where this hand holds it nowhere: its chord is free again
 *   tone   `to` is missing where no string has it
 */
export type NotAsItWas =
  | { readonly what: 'shape'; readonly chord: number; readonly from: Frets; readonly to: Frets | undefined }
  | { readonly what: 'tone'; readonly chord: number; readonly from: Midi; readonly to: Midi | undefined }

const MIDDLE_FRET = 7

export function transposedTune(
  { chart, held, melody }: HeldTune,
  from: Key,
  to: Key,
  neck: Neck,
  profile: HandProfile,
): HeldTune & { readonly changed: readonly NotAsItWas[] } {
  const up = (pitchClassOf(to.tonic) - pitchClassOf(from.tonic) + 12) % 12
  const { canHold } = handOn(neck, profile)
  const at = (frets: Frets, by: number): Frets | undefined => {
    const there = frets.map((fret) => (fret === null ? null : fret + by))
    const fits = there.every(
      (fret, string) =>
        fret === null || fret === 0 || (fret >= (neck.firstFret[string] as number) && fret <= neck.lastFret),
    )
    return fits && canHold(there) ? there : undefined
  }
  const by = direction(up, held, at)
  const changed: NotAsItWas[] = []
  const moved = held.flatMap(({ chord, frets }): readonly HeldShape[] => {
    const there = at(frets, by)
    if (there) return [{ chord, frets: there }]
    const elsewhere = at(frets, by > 0 ? by - 12 : by + 12)
    changed.push({ what: 'shape', chord, from: frets, to: elsewhere })
    return elsewhere ? [{ chord, frets: elsewhere }] : []
  })
  const [low, high] = [
    Math.min(...neck.open),
    Math.max(...neck.open.map((_, string) => soundingMidi(neck, string, neck.lastFret))),
  ]
  const tones = melody.flatMap(({ chord, midi }): readonly TopTone[] => {
    const own = held.find((one) => one.chord === chord)
    const now = moved.find((one) => one.chord === chord)
    const along = own && now ? lift(own.frets, now.frets) : by
    const there = midi + along
    if (there >= low && there <= high) return [{ chord, midi: there }]
    const elsewhere = there < low ? there + 12 : there - 12
    const isThere = elsewhere >= low && elsewhere <= high
    changed.push({ what: 'tone', chord, from: midi, to: isThere ? elsewhere : undefined })
    return isThere ? [{ chord, midi: elsewhere }] : []
  })
  return { chart: transposedChart(chart, from, to), held: moved, melody: tones, changed }
}

/** How far a shape went. */
function lift(from: Frets, to: Frets): number {
  const string = from.findIndex((fret) => fret !== null)
  return (to[string] ?? 0) - (from[string] ?? 0)
}

/**
 * Up or down: so that most shapes keep their form, and then that they lie nearer to the middle of the neck, which brings them
 * home again; without shapes the shorter way.
 */
function direction(
  up: number,
  held: readonly HeldShape[],
  at: (frets: Frets, by: number) => Frets | undefined,
): number {
  if (up === 0) return 0
  if (held.length === 0) return up <= 6 ? up : up - 12
  const fitting = (by: number) => held.filter(({ frets }) => at(frets, by) !== undefined).length
  const [above, below] = [fitting(up), fitting(up - 12)]
  if (above !== below) return above > below ? up : up - 12
  const centre = held.reduce((sum, { frets }) => sum + centreOf(frets), 0) / held.length
  const apart = (by: number) => Math.abs(centre + by - MIDDLE_FRET)
  return apart(up) <= apart(up - 12) ? up : up - 12
}
