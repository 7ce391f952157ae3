/** All of a key on one neck: its steps, its lanes, and which lane fits each of the twelve keys. */
import type { HandProfile } from '../hand/index.ts'
import {
  chordScale,
  type Depth,
  type DepthSchool,
  type Key,
  keysByFourths,
  plainestKey,
  type ScaleStep,
  type StandInKind,
  standIns,
} from '../key/index.ts'
import type { Neck } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import { byFit, fitOf, type LaneFit, laneThatFits } from './fits.ts'
import { laneOf } from './lane.ts'
import type { Lane, LaneAsk, LaneChord, LaneOptions } from './types.ts'

export interface KeyQuestion {
  readonly key: Key
  readonly depth: Depth
  readonly school: DepthSchool
  /** One or two lanes. */
  readonly asks: readonly LaneAsk[]
  readonly fifthInBass: boolean
  /** The fret at which the lanes begin, where the player moved it. */
  readonly from?: number | undefined
  /** Steps whose chord is stood in for. */
  readonly standing?: readonly StandingIn[] | undefined
}

/** A step that another chord stands in for: told by its kind, so that it holds in every key. */
export interface StandingIn {
  /** 1 to 7. */
  readonly step: number
  readonly kind: StandInKind
}

export interface KeyFit {
  readonly key: Key
  readonly fit: LaneFit | undefined
}

export interface KeyOnNeck {
  readonly steps: readonly StandingStep[]
  readonly lanes: readonly Lane[]
  /** By fourths from G, whichever key is asked: each stands where it stood. */
  readonly fits: readonly KeyFit[]
}

/** Lanes use frets to here, or as far as the hand comes. */
const FRET_MAX = 17

/** Lanes by their roots on the lowest strings of the usual six. */
export function usualAsks({ open }: Pick<Neck, 'open'>): readonly LaneAsk[] {
  const low = Math.max(0, open.length - 6)
  return [
    { kind: 'root', string: low },
    { kind: 'root', string: low + 1 },
  ]
}

/** What a key may be played in: the lanes that are asked for; of one by its root, the neighbouring root string too. */
function asksToFit(asks: readonly LaneAsk[], neck: Neck): readonly LaneAsk[] {
  return asks.length === 1 && asks[0]?.kind === 'root' ? usualAsks(neck) : asks
}

/** @param grips What lanes by the root hold over it; which other keys the lanes fit is told by the usual orders. */
export function keyOnNeck(
  question: KeyQuestion,
  neck: Neck,
  profile: HandProfile,
  grips: Pick<LaneOptions, 'gripAt' | 'openRoots'> = {},
): KeyOnNeck {
  const { asks, fifthInBass, key, from } = question
  const options = { ...optionsFor(neck, fifthInBass), from, ...grips }
  const steps = stepsWith(question)
  const fits = fitsOfAll(question, neck, profile)
  const lanes = asks.map((ask) => laneOf(steps, ask, neck, profile, options))
  // What is said of the key in hand is said of the lanes that are drawn.
  const here = grips.gripAt && lanes.map(fitOf).toSorted(byFit)[0]
  return {
    steps,
    lanes,
    fits: keysByFourths(key, fourthsFromG(key)).map((one) => ({
      key: one,
      fit: here && one.tonic === key.tonic ? here : fits[pitchClassOf(one.tonic)],
    })),
  }
}

export type StandingStep = ScaleStep & Pick<LaneChord, 'standsIn'>

/** The chord scale; a stand-in takes its step's place with the scale from its own root. */
export function stepsWith({
  key,
  depth,
  school,
  standing = [],
}: Omit<KeyQuestion, 'asks' | 'fifthInBass'>): readonly StandingStep[] {
  const own = chordScale(key, depth, school)
  return own.map((step): StandingStep => {
    const wanted = standing.find((one) => one.step === step.step)
    const found = wanted && standIns(key, step.step, depth).find(({ kind }) => kind === wanted.kind)
    if (!found) return step
    const mode = own.find(({ chord }) => chord.root === found.chord.root)?.mode ?? step.mode
    return {
      ...step,
      chord: found.chord,
      honest: found.chord.formula,
      left: [],
      mode,
      standsIn: found.chord.root !== step.chord.root,
    }
  })
}

const optionsFor = ({ lastFret, firstFret }: Neck, fifthInBass: boolean) => ({
  // A capo moves the neck's beginning.
  fretMax: Math.min(FRET_MAX + Math.min(...firstFret) - 1, lastFret),
  fifthInBass,
})

/** The first of several lanes if it climbs to its end without a fold; else, of all, the one that fits the key. */
export function laneInHand(
  { key, depth, school, fifthInBass }: KeyQuestion,
  asks: readonly LaneAsk[],
  neck: Neck,
  profile: HandProfile,
): LaneAsk | undefined {
  const fits = (some: readonly LaneAsk[]) =>
    laneThatFits(key, depth, school, some, neck, profile, optionsFor(neck, fifthInBass))
  const first = fits(asks.slice(0, 1))
  return first && !first.folds && first.missing === 0 ? first.ask : fits(asks)?.ask
}

/** How many fourths a tonic lies above G: twelve fourths come back. */
const fourthsFromG = ({ tonic }: Key): number => (5 * (pitchClassOf(tonic) - 7) + 120) % 12

/** Fits that were counted last, by all that they depend on; they are the same whatever key is asked. */
const counted = new Map<string, readonly (LaneFit | undefined)[]>()
const MOST_COUNTED = 12

/** By pitch class of the tonic. */
function fitsOfAll(
  { key, depth, school, asks, fifthInBass }: KeyQuestion,
  neck: Neck,
  profile: HandProfile,
): readonly (LaneFit | undefined)[] {
  const toFit = asksToFit(asks, neck)
  const all = JSON.stringify([key.scale.name, depth, school, toFit, fifthInBass, neck, profile])
  const before = counted.get(all)
  if (before) return before
  const options = optionsFor(neck, fifthInBass)
  const fits = Array.from({ length: 12 }, (_, pitchClass) =>
    laneThatFits(plainestKey(pitchClass, key.scale), depth, school, toFit, neck, profile, options),
  )
  if (counted.size >= MOST_COUNTED) counted.clear()
  counted.set(all, fits)
  return fits
}

export interface LaneInKey {
  readonly key: Key
  readonly lane: Lane
}

/** One lane in twelve keys, by fourths from the asked one. */
export function lanesOfAllKeys(
  question: KeyQuestion,
  ask: LaneAsk,
  neck: Neck,
  profile: HandProfile,
  grips: Pick<LaneOptions, 'gripAt' | 'openRoots'> = {},
): readonly LaneInKey[] {
  const options = { ...optionsFor(neck, question.fifthInBass), ...grips }
  return keysByFourths(question.key, 0).map((one) => ({
    key: one,
    lane: laneOf(stepsWith({ ...question, key: one }), ask, neck, profile, options),
  }))
}
