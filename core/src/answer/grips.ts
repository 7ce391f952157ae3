/**
 * The grips that a player takes for a chord in a manner, its root on given strings.
 *   Chord + Playing ─promising→ all ─bestOf (bass on the string)→ Grip[], the best of each string first
 */
import { type Chord, formulaKey } from '../chord/index.ts'
import { type HandProfile, handOn } from '../hand/index.ts'
import { type KeyOnNeck, type KeyQuestion, keyOnNeck, type LaneOptions } from '../lane/index.ts'
import { type Fret, type Neck, type StringIndex, soundingMidi } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import type { Playing } from '../request/index.ts'
import { frettedUp, ringsOpen, type Taste } from '../taste/index.ts'
import { type Frets, lowestPressed } from '../voicing/index.ts'
import { bestOf, type Promising, promising, type TastedShape } from './tasted.ts'

export interface Grip {
  readonly frets: Frets
  readonly string: StringIndex
  /** Beyond the best grip of the chord on any of these strings. */
  readonly dearer: number
  readonly taste: Taste
}

/** So many of each string are looked at: further down the list nobody takes them for their place. */
const MOST_ON_A_STRING = 4

/** All that a player may take, chord by chord; what comes again is searched once. */
function searches(playing: Playing, neck: Neck, profile: HandProfile, fretMax: Fret): (chord: Chord) => Promising {
  const hand = handOn(neck, profile)
  const open = ringsOpen(playing.manner) ? 'allow' : 'never'
  const found = new Map<string, Promising>()
  return (chord) => {
    const name = `${chord.root} ${formulaKey(chord.formula)}`
    const all =
      found.get(name) ??
      promising(
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
    found.set(name, all)
    return all
  }
}

const lowestString = (frets: Frets): StringIndex => frets.findIndex((fret) => fret !== null)

/**
 * @param rootless With a bass player the root may stay silent; the lowest tone lies on one of the strings then.
 * @returns For one chord after another, on the strings of its turn.
 */
export function gripsOn(
  playing: Playing,
  neck: Neck,
  profile: HandProfile,
  fretMax: Fret,
  rootless: boolean,
): (chord: Chord, strings: readonly StringIndex[]) => readonly Grip[] {
  const search = searches(playing, neck, profile, fretMax)
  return (chord, strings) => {
    const all = search(chord)
    const root = pitchClassOf(chord.root)
    const isRoot = (frets: Frets, string: StringIndex) =>
      soundingMidi(neck, string, frets[string] as number) % 12 === root
    const soundsRoot = (frets: Frets) => frets.some((fret, string) => fret !== null && isRoot(frets, string))
    const found = strings.flatMap((string): readonly (TastedShape & { readonly string: StringIndex })[] => {
      const extra = (frets: Frets) => {
        const low = lowestString(frets)
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

/** A key whose lanes by the root stand in the grips of a manner; without one in the usual orders of their tones. */
export function keyPlayed(
  question: KeyQuestion,
  playing: Playing | undefined,
  neck: Neck,
  profile: HandProfile,
): KeyOnNeck {
  return keyOnNeck(question, neck, profile, playing && laneGrips(playing, neck, profile))
}

/** Where the best grip at a place is dearer by more, the neck ends or the manner has none: nobody would take it. */
const FAR_FROM_USUAL = 3

/** The best grip over a root at its place, unless it is far from what the manner has for the chord. */
export function laneGrips(
  playing: Playing,
  neck: Neck,
  profile: HandProfile,
): Pick<LaneOptions, 'gripAt' | 'openRoots'> {
  const search = searches(playing, neck, profile, neck.lastFret)
  const gripAt: LaneOptions['gripAt'] = (chord, string, fret) => {
    const all = search(chord)
    const [best] = bestOf(all, 1).shapes
    const [here] = bestOf(all, 1, {
      extra: (frets) => (frets[string] === fret && lowestString(frets) === string ? 0 : undefined),
    }).shapes
    // Where on the neck it lies is given: they are compared as grips.
    const asGrip = ({ total, frets }: TastedShape) => total - all.reader.perFret * frettedUp(lowestPressed(frets))
    return best && here && asGrip(here) - asGrip(best) <= FAR_FROM_USUAL ? here.frets : undefined
  }
  return { gripAt, openRoots: ringsOpen(playing.manner) }
}
