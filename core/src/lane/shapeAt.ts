/** One shape of a lane at its place: where its tones fall, and whether this hand can hold it there. */
import type { Chord } from '../chord/index.ts'
import { type Fingering, type HandOnNeck, type HandProfile, handOn, handVerdict, reachMm } from '../hand/index.ts'
import { type Neck, type StringSet, soundingMidi } from '../neck/index.ts'
import { type Degree, degreePitchClass, pitchClassOf, stepOf } from '../pitch/index.ts'
import { type Frets, highestPressed } from '../voicing/index.ts'
import type { LaneGap, LaneShape, ToneNumber } from './types.ts'

/** What stands where a third or a seventh would: a held fourth or second, a sixth. */
const IN_PLACE: Partial<Readonly<Record<ToneNumber, readonly number[]>>> = { 3: [4, 2], 7: [6] }

/** The chord's tone of that number; `undefined` where it has none. */
export function toneOf({ formula }: Pick<Chord, 'formula'>, number: ToneNumber): Degree | undefined {
  if (number === 1) return formula.find((degree) => degree === 'R')
  const steps = [number, ...(IN_PLACE[number] ?? [])]
  for (const step of steps) {
    const found = formula.find((degree) => stepOf(degree) === step)
    if (found !== undefined) return found
  }
  return undefined
}

/** A hand that tells, for one neck, whether and how shapes are held. */
export interface LaneHand {
  readonly neck: Neck
  readonly profile: HandProfile
  readonly on: HandOnNeck
}

/** Laying a hand on a neck takes longer than a lane: it is done once for each of them. */
const laid = new WeakMap<Neck, LaneHand>()

export function laneHand(neck: Neck, profile: HandProfile): LaneHand {
  const before = laid.get(neck)
  if (before?.profile === profile) return before
  const hand = { neck, profile, on: handOn(neck, profile) }
  laid.set(neck, hand)
  return hand
}

export type Placed = { readonly shape: LaneShape } | { readonly gap: LaneGap; readonly refused: Frets | undefined }

/**
 * The tones in order from the lowest string up, each the next higher pitch of its kind on its string.
 * @param fret Of the first tone, on the first string.
 */
export function orderAt(
  chord: Chord,
  order: readonly ToneNumber[],
  strings: StringSet,
  fret: number,
  neck: Neck,
): Frets | undefined {
  const frets: (number | null)[] = neck.open.map(() => null)
  let below = -1
  for (const [index, number] of order.entries()) {
    const string = strings[index]
    const degree = toneOf(chord, number)
    if (string === undefined || degree === undefined) return undefined
    const wanted = (pitchClassOf(chord.root) + degreePitchClass(degree)) % 12
    let at = fret
    if (index > 0) {
      const fits = (one: number) =>
        soundingMidi(neck, string, one) % 12 === wanted && soundingMidi(neck, string, one) > below
      // An open string is as good as a fret where it is the next tone.
      at = 0
      if (!fits(0)) {
        at = neck.firstFret[string] as number
        while (!fits(at)) at++
      }
    }
    frets[string] = at
    below = soundingMidi(neck, string, at)
  }
  return frets
}

/** Whether the hand holds the shape within the frets that are used, and how. */
export function held(frets: Frets, chord: Chord, hand: LaneHand, fretMax: number): Placed {
  const { neck, profile, on } = hand
  if (highestPressed(frets) > Math.min(fretMax, neck.lastFret)) return { gap: 'past', refused: frets }
  const fingering = on.bestFingering(frets)
  const verdict = handVerdict(frets, neck, profile, fingering)
  if (verdict.kind === 'beyond') return { gap: verdict.limit.kind === 'fingers' ? 'crowded' : 'reach', refused: frets }
  const crowded = isCrowded(fingering)
  // Where fingertips have no room side by side the hand may still force it; a lane goes on where they fit.
  if (crowded) return { gap: 'crowded', refused: frets }
  return { shape: shapeOf(frets, chord, neck, fingering) }
}

const isCrowded = (fingering: Fingering | undefined): boolean => (fingering?.cost.crowding ?? 0) > 0

export function shapeOf(frets: Frets, chord: Chord, neck: Neck, fingering: Fingering | undefined): LaneShape {
  const root = pitchClassOf(chord.root)
  const degrees = frets.map((fret, string): Degree | null => {
    if (fret === null) return null
    const above = (soundingMidi(neck, string, fret) - root + 120) % 12
    return chord.formula.find((degree) => degreePitchClass(degree) === above) ?? null
  })
  return { frets, degrees, fingering, reachMm: reachMm(neck, frets), crowded: isCrowded(fingering) }
}

/** An altered fifth that the chord has and the shape leaves out: it tells the chord, so it is never lost without a word. */
export const lostFifth = ({ formula }: Chord, { degrees }: Pick<LaneShape, 'degrees'>): Degree | undefined =>
  formula.find((degree) => (degree === 'b5' || degree === '#5') && !degrees.includes(degree))

/** A shape as it is, with this hand's fingers on it. */
export const shapeOn = (frets: Frets, chord: Chord, neck: Neck, profile: HandProfile): LaneShape =>
  shapeOf(frets, chord, neck, laneHand(neck, profile).on.bestFingering(frets))
