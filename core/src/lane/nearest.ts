/** A chord that no lane has, as near as can be to where the hand is: a chord in between, a stand-in. */
import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import { type Fret, fretsOfNote, type Neck, type StringIndex } from '../neck/index.ts'
import { held, laneHand, orderAt } from './shapeAt.ts'
import type { LaneShape } from './types.ts'
import { usualAt } from './usual.ts'

/** With its root on a string, in the usual order, the nearest place to a fret that the hand holds. */
export function nearestShape(
  chord: Chord,
  string: StringIndex,
  fret: Fret,
  neck: Neck,
  profile: HandProfile,
  fretMax: Fret,
): LaneShape | undefined {
  const hand = laneHand(neck, profile)
  const places = fretsOfNote(neck, string, chord.root).toSorted((a, b) => Math.abs(a - fret) - Math.abs(b - fret))
  for (const at of places) {
    const usual = usualAt(chord, string, at, hand, fretMax)
    const frets = usual && orderAt(chord, usual.order, usual.strings, at, neck)
    const placed = frets && held(frets, chord, hand, fretMax)
    if (placed && 'shape' in placed) return placed.shape
  }
  return undefined
}
