/** A lane through a key: every step the next place up the neck that the hand can hold, or why not and where it goes on. */

import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import { fretDistanceMm, type Neck, type StringIndex, soundingMidi } from '../neck/index.ts'
import { degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import { centreOf, type Frets, highestPressed } from '../voicing/index.ts'
import { held, type LaneHand, laneHand, orderAt, type Placed, toneOf } from './shapeAt.ts'
import { tonesLane } from './tonesLane.ts'
import {
  LANE_FRETS,
  type Lane,
  type LaneAsk,
  type LaneChord,
  type LaneGap,
  type LaneOptions,
  type LaneShape,
  type LaneStep,
} from './types.ts'
import { usualAt } from './usual.ts'

type OrderAsk = Extract<LaneAsk, { kind: 'order' }>

/** The lane of a chord scale, upwards from the lowest place of its first step. */
export function laneOf(
  steps: readonly LaneChord[],
  ask: LaneAsk,
  neck: Neck,
  profile: HandProfile,
  options: LaneOptions,
): Lane {
  const hand = laneHand(neck, profile)
  const { fretMax, from, openRoots } = options
  if (ask.kind === 'tones') return summed(ask, tonesLane(steps, ask, hand, fretMax, from), neck, steps)
  if (ask.kind === 'order' && (ask.forms ?? 1) > 1)
    return summed(ask, formsLane(steps, ask, hand, fretMax, from), neck, steps)
  const climbing = steps.map(({ step, chord, standsIn = false }, index): Climb => {
    const string = leadOf(ask, index)
    const at = (fret: number): Placed => placedAt(ask, chord, string, fret, hand, options)
    return { step, chord, standsIn, string, lead: leadTone(ask, chord), at }
  })
  return summed(ask, climb(climbing, neck, fretMax, from, openRoots), neck, steps)
}

/** The string of the tone that leads a step. */
function leadOf(ask: Exclude<LaneAsk, { kind: 'tones' }>, index: number): StringIndex {
  switch (ask.kind) {
    case 'root':
      return ask.string
    case 'turns':
      return ask.strings[index % ask.strings.length] as number
    case 'order':
      return ask.strings[0] as number
  }
}

const leadTone = (ask: LaneAsk, chord: Chord): number | undefined => {
  const degree = toneOf(chord, ask.kind === 'order' ? requireAt(ask.order, 0) : 1)
  return degree === undefined ? undefined : (pitchClassOf(chord.root) + degreePitchClass(degree)) % 12
}

function placedAt(
  ask: Exclude<LaneAsk, { kind: 'tones' }>,
  chord: Chord,
  string: StringIndex,
  fret: number,
  hand: LaneHand,
  { fretMax, fifthInBass = false, gripAt }: LaneOptions,
): Placed {
  const grip = ask.kind === 'order' ? undefined : gripAt?.(chord, string, fret)
  if (grip) return held(grip, chord, hand, fretMax)
  const usual = ask.kind === 'order' ? ask : usualAt(chord, string, fret, hand, fretMax)
  if (usual === undefined) return { gap: 'strings', refused: undefined }
  const frets = orderAt(chord, usual.order, usual.strings, fret, hand.neck)
  if (frets === undefined)
    return { gap: usual.order.length > usual.strings.length ? 'strings' : 'no-tone', refused: undefined }
  const placed = held(frets, chord, hand, fretMax)
  if (!fifthInBass || !('shape' in placed)) return placed
  const withFifth = fifthBelow(frets, chord, string, hand, fretMax)
  return withFifth ? { shape: withFifth } : placed
}

/** The shape with its perfect fifth on the string below the root, where the hand reaches it. */
function fifthBelow(
  frets: Frets,
  chord: Chord,
  string: StringIndex,
  hand: LaneHand,
  fretMax: number,
): LaneShape | undefined {
  const { neck } = hand
  if (string === 0 || !chord.formula.includes('5')) return undefined
  const root = soundingMidi(neck, string, frets[string] as number)
  const fret = root - 5 - (neck.nut[string - 1] as number)
  if (fret < (neck.firstFret[string - 1] as number)) return undefined
  const placed = held(
    frets.map((one, index) => (index === string - 1 ? fret : one)),
    chord,
    hand,
    fretMax,
  )
  return 'shape' in placed ? placed.shape : undefined
}

interface Climb {
  readonly step: number
  readonly chord: Chord
  readonly standsIn: boolean
  readonly string: StringIndex
  /** The pitch class that leads. */
  readonly lead: number | undefined
  readonly at: (fret: number) => Placed
}

type Standing = Omit<LaneStep, 'hopFrets' | 'hopMm'>

/** Each step at the next fret of its leading tone above the step before, or where it goes on. */
function climb(
  steps: readonly Climb[],
  neck: Neck,
  fretMax: number,
  from?: number,
  openRoots = false,
): readonly Standing[] {
  let pitch: number | undefined
  const end: LaneGap = from === undefined ? 'past' : 'octave'
  return steps.map(({ step, chord, standsIn, string, lead, at }) => {
    const none: Standing = {
      step,
      chord,
      string,
      shape: undefined,
      gap: 'no-tone',
      refused: undefined,
      instead: undefined,
    }
    if (lead === undefined) return none
    const first = Math.max(neck.firstFret[string] as number, from ?? 0)
    const last = Math.min(fretMax, neck.lastFret, from === undefined ? fretMax : first + LANE_FRETS - 1)
    const places: number[] = []
    if (openRoots && !from && soundingMidi(neck, string, 0) % 12 === lead) places.push(0)
    for (let fret = first; fret <= last; fret++) if (soundingMidi(neck, string, fret) % 12 === lead) places.push(fret)
    const above =
      pitch === undefined ? places : places.filter((fret) => soundingMidi(neck, string, fret) > (pitch as number))
    const below = pitch === undefined ? [] : places.filter((fret) => !above.includes(fret)).toReversed()
    let gap: LaneStep['gap'] = above.length === 0 ? end : undefined
    let refused: Frets | undefined
    for (const [index, fret] of [...above.slice(0, pitch === undefined ? 2 : 1), ...below].entries()) {
      const placed = at(fret)
      if ('shape' in placed) {
        if (!standsIn) pitch = soundingMidi(neck, string, fret)
        // The first step may begin an octave higher without a word.
        const isStart = index > 0 && below.length === 0
        return { ...none, shape: placed.shape, gap: isStart ? undefined : gap, refused: isStart ? undefined : refused }
      }
      gap ??= placed.gap
      refused ??= placed.refused
    }
    return { ...none, gap: gap ?? end, refused }
  })
}

/** The inversions of one order on one string set, each step in the form that lies nearest above the step before. */
function formsLane(
  steps: readonly LaneChord[],
  ask: OrderAsk,
  hand: LaneHand,
  fretMax: number,
  from = 0,
): readonly Standing[] {
  const forms = Array.from({ length: Math.min(ask.forms ?? 1, ask.order.length) }, (_, by) => [
    ...ask.order.slice(by),
    ...ask.order.slice(0, by),
  ])
  const string = ask.strings[0] as number
  let centre = from - 0.02
  return steps.map(({ step, chord }) => {
    const shapes: LaneShape[] = []
    let gap: LaneStep['gap'] = 'past'
    for (const order of forms) {
      const lead = leadTone({ ...ask, order }, chord)
      for (let fret = hand.neck.firstFret[string] as number; fret <= fretMax; fret++) {
        if (lead === undefined || soundingMidi(hand.neck, string, fret) % 12 !== lead) continue
        const frets = orderAt(chord, order, ask.strings, fret, hand.neck)
        const placed = frets && held(frets, chord, hand, fretMax)
        if (placed && 'shape' in placed) shapes.push(placed.shape)
        else if (placed) gap = placed.gap
      }
    }
    shapes.sort((a, b) => centreOf(a.frets) - centreOf(b.frets))
    const shape = shapes.find(({ frets }) => centreOf(frets) > centre + 0.01) ?? shapes.toReversed()[0]
    if (shape) centre = centreOf(shape.frets)
    return { step, chord, string, shape, gap: shape ? undefined : gap, refused: undefined, instead: undefined }
  })
}

/** Hops are told on the string that leads, so that they add up to the octave. */
function summed(ask: LaneAsk, standing: readonly Standing[], neck: Neck, chords: readonly LaneChord[]): Lane {
  const aside = new Set(chords.filter(({ standsIn }) => standsIn).map(({ step }) => step))
  // Under a capo an open string begins there.
  const fretOf = ({ shape, string }: Standing): number | undefined => {
    const fret = shape?.frets[string] ?? undefined
    return fret === 0 ? (neck.firstFret[string] as number) - 1 : fret
  }
  const folds: number[] = []
  const steps = standing.map((one, index): LaneStep => {
    const before = standing[index - 1]
    const [from, to] = [before && fretOf(before), fretOf(one)]
    if (before === undefined || from === undefined || to === undefined)
      return { ...one, hopFrets: undefined, hopMm: undefined }
    const sameString = before.string === one.string
    // On another string the hand's own way is told.
    const [low, high] = sameString
      ? [from, to]
      : [centreOf(before.shape?.frets ?? []), centreOf(one.shape?.frets ?? [])]
    // A stand-in may lie above the step after it: that is no fold.
    if (sameString && to < from && !aside.has(before.step)) folds.push(one.step)
    const place = (fret: number) => fretDistanceMm(neck.scaleLengthMm, fret)
    return {
      ...one,
      hopFrets: sameString ? to - from : Math.round(high - low),
      hopMm: Math.abs(place(high) - place(low)),
    }
  })
  return {
    ask,
    steps,
    highest: Math.max(0, ...steps.map(({ shape }) => (shape ? highestPressed(shape.frets) : 0))),
    folds,
  }
}
