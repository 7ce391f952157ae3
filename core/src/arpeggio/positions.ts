/** All hand positions of a chord along the neck, and which of them lie well. */
import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import type { Neck } from '../neck/index.ts'
import { widestMm } from './arpeggio.ts'
import { fingerLine } from './line.ts'
import { byPitch, chordPlaces, highestPosition, inPosition, lowestPosition } from './places.ts'

export interface PositionSummary {
  readonly at: number
  readonly tones: number
  readonly stretches: number
  /** The frets from which to which the hand presses; both `at` when all its strings are open. */
  readonly low: number
  readonly high: number
  /** The widest that the hand opens there, in mm. */
  readonly widestMm: number
  /** Cost of the fingering per tone. */
  readonly effort: number
  /** Tones of the chord that are missing between the lowest and the highest one: the window has gaps there. */
  readonly gaps: number
  /** Easier than its neighbours on both sides. */
  readonly liesWell: boolean
}

export function positionsOf(chord: Chord, neck: Neck, hand: HandProfile): readonly PositionSummary[] {
  const places = chordPlaces(chord, neck)
  const pitchClasses = new Set(places.map(({ midi }) => midi % 12))
  const found: Omit<PositionSummary, 'liesWell'>[] = []
  for (let at = lowestPosition(neck); at <= highestPosition(neck); at++) {
    const tones = byPitch(inPosition(places, neck, at))
    const midis = tones.map(([place]) => place?.midi ?? 0)
    const has = new Set(midis)
    const [line] = fingerLine(tones, neck, hand, { handAt: at })
    let gaps = 0
    for (let midi = midis[0] ?? 0; midi < (midis.at(-1) ?? 0); midi++)
      if (pitchClasses.has(midi % 12) && !has.has(midi)) gaps++
    const pressed = line?.notes.flatMap(({ fret }) => (fret > 0 ? [fret] : [])) ?? []
    found.push({
      at,
      tones: midis.length,
      stretches: line?.cost.stretches ?? 0,
      low: pressed.length > 0 ? Math.min(...pressed) : at,
      high: pressed.length > 0 ? Math.max(...pressed) : at,
      widestMm: line ? widestMm(line.notes, neck) : 0,
      effort: line ? line.cost.total / Math.max(1, line.notes.length) : 0,
      gaps,
    })
  }
  const effortAt = (index: number) => found[index]?.effort ?? Number.POSITIVE_INFINITY
  return found.map((one, index) => ({
    ...one,
    liesWell: one.gaps === 0 && one.effort < effortAt(index - 1) && one.effort <= effortAt(index + 1),
  }))
}
