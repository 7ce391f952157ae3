/** A chord that no lane has, as near as can be to where the hand is: a chord in between, a stand-in. */
import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import { type Fret, fretsOfNote, type Neck, type StringIndex } from '../neck/index.ts'
import { spellDegree } from '../pitch/index.ts'
import { held, type LaneHand, laneHand, orderAt, toneOf } from './shapeAt.ts'
import type { LaneShape } from './types.ts'
import { type UsualOrder, usualAt } from './usual.ts'

/** With its root on a string, in the usual order, the nearest place to a fret that the hand holds. */
export function nearestShape(
  chord: Chord,
  string: StringIndex,
  fret: Fret,
  neck: Neck,
  profile: HandProfile,
  fretMax: Fret,
): LaneShape | undefined {
  const places = fretsOfNote(neck, string, chord.root).toSorted((a, b) => Math.abs(a - fret) - Math.abs(b - fret))
  for (const at of places) {
    const shape = shapeAt(chord, string, at, laneHand(neck, profile), fretMax)
    if (shape) return shape
  }
  return undefined
}

/** With its root on a string, in the usual order: every place that the hand holds, up the neck; none with open strings. */
export const everyPlace = (
  chord: Chord,
  string: StringIndex,
  neck: Neck,
  profile: HandProfile,
  fretMax: Fret,
): readonly LaneShape[] =>
  fretsOfNote(neck, string, chord.root).flatMap((at) => {
    const shape = shapeAt(chord, string, at, laneHand(neck, profile), fretMax)
    return shape && !shape.frets.includes(0) ? [shape] : []
  })

/** In one order on one set: every place that the hand holds, up the neck; none with open strings. */
export function everyPlaceInOrder(
  chord: Chord,
  { order, strings }: UsualOrder,
  neck: Neck,
  profile: HandProfile,
  fretMax: Fret,
): readonly LaneShape[] {
  const [number] = order
  const [string] = strings
  const degree = number === undefined ? undefined : toneOf(chord, number)
  const note = degree && spellDegree(chord.root, degree)
  if (note === undefined || string === undefined) return []
  const hand = laneHand(neck, profile)
  return fretsOfNote(neck, string, note).flatMap((at) => {
    const frets = orderAt(chord, order, strings, at, neck)
    const placed = frets && !frets.includes(0) ? held(frets, chord, hand, fretMax) : undefined
    return placed && 'shape' in placed ? [placed.shape] : []
  })
}

function shapeAt(chord: Chord, string: StringIndex, fret: Fret, hand: LaneHand, fretMax: Fret): LaneShape | undefined {
  const usual = usualAt(chord, string, fret, hand, fretMax)
  const frets = usual && orderAt(chord, usual.order, usual.strings, fret, hand.neck)
  const placed = frets && held(frets, chord, hand, fretMax)
  return placed && 'shape' in placed ? placed.shape : undefined
}
