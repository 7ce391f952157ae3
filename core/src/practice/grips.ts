/**
 * The grips that a player takes for a chord in a manner, its root on given strings.
 *   Chord + Playing ─promising→ all ─bestOf (bass on the string)→ Grip[], the best of each string first
 */
import { bestOf, promising, type TastedShape } from '../answer/index.ts'
import type { Chord } from '../chord/index.ts'
import { type HandProfile, handOn } from '../hand/index.ts'
import { type Neck, type StringIndex, soundingMidi } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import type { Playing } from '../request/index.ts'
import { ringsOpen, type Taste } from '../taste/index.ts'
import type { Frets } from '../voicing/index.ts'

export interface Grip {
  readonly frets: Frets
  readonly string: StringIndex
  /** Beyond the best grip of the chord on any of these strings. */
  readonly dearer: number
  readonly taste: Taste
}

/** So many of each string are looked at: further down the list nobody takes them for their place. */
const MOST_ON_A_STRING = 4

/**
 * @param rootless With a bass player the root may stay silent; the lowest tone lies on one of the strings then.
 * @returns For one chord after another, on the strings of its turn.
 */
export function gripsOn(
  playing: Playing,
  neck: Neck,
  profile: HandProfile,
  fretMax: number,
  rootless: boolean,
): (chord: Chord, strings: readonly StringIndex[]) => readonly Grip[] {
  const hand = handOn(neck, profile)
  const open = ringsOpen(playing.manner) ? 'allow' : 'never'
  return (chord, strings) => {
    const all = promising(
      {
        chord,
        neck,
        arrangement: { kind: 'any' },
        doubling: true,
        fretMin: 1,
        fretMax,
        reachLimitMm: profile.stretchMm,
        open,
      },
      playing,
      profile,
      hand,
    )
    const root = pitchClassOf(chord.root)
    const isRoot = (frets: Frets, string: StringIndex) =>
      soundingMidi(neck, string, frets[string] as number) % 12 === root
    const soundsRoot = (frets: Frets) => frets.some((fret, string) => fret !== null && isRoot(frets, string))
    const found = strings.flatMap((string): readonly (TastedShape & { readonly string: StringIndex })[] => {
      const extra = (frets: Frets) => {
        const low = frets.findIndex((fret) => fret !== null)
        return low === string && (isRoot(frets, low) || (rootless && !soundsRoot(frets))) ? 0 : undefined
      }
      return bestOf(all, MOST_ON_A_STRING, { extra }).shapes.map((shape) => ({ ...shape, string }))
    })
    const best = Math.min(...found.map(({ total }) => total))
    return found.map(({ frets, hold, total, string }) => ({
      frets,
      string,
      dearer: total - best,
      taste: all.reader.tasteOf(frets, hold),
    }))
  }
}
