/**
 * Runs: one chord through its roots, each at the place that moves the hand least.
 *   CycleAsk ─cycleOf→ roots ─placesOf (rule)→ places of each ─leastRun→ RunStep[], exact
 */
import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import { everyPlace, type LaneShape } from '../lane/index.ts'
import type { Neck, StringIndex } from '../neck/index.ts'
import { indexPlace } from '../path/index.ts'
import type { Degree } from '../pitch/index.ts'
import { type Frets, lowestPressed } from '../voicing/index.ts'
import { type CycleAsk, cycleOf, type SpelledRoot, spelledFor } from './cycle.ts'

/** Where a root's shape may lie: its root on these strings in turn, or on any of them. */
export type PlaceRule =
  | { readonly kind: 'in-turn'; readonly strings: readonly StringIndex[] }
  | { readonly kind: 'nearest'; readonly strings: readonly StringIndex[] }

export interface RunAsk extends CycleAsk {
  readonly formula: readonly Degree[]
  readonly rule: PlaceRule
  /** No shape goes beyond. */
  readonly fretMax: number
}

export interface RunStep extends SpelledRoot {
  readonly chord: Chord
  /** `undefined` where it has no shape on the strings whose turn it is. */
  readonly shape: LaneShape | undefined
  /** The string of its root. */
  readonly string: StringIndex | undefined
  /** From the step before: how many frets the lowest finger goes, up the neck positive; none for the first. */
  readonly hopFrets: number | undefined
  /** How far the index fingertip goes along the neck. */
  readonly hopMm: number | undefined
}

export interface RunPlace {
  readonly shape: LaneShape
  readonly string: StringIndex
  /** Of the index fingertip, in mm from the nut. */
  readonly indexMm: number
}

export function runOf(ask: RunAsk, neck: Neck, profile: HandProfile): readonly RunStep[] {
  const { formula, rule, fretMax } = ask
  const roots = cycleOf(ask).map((pitchClass, index): SpelledRoot & { readonly chord: Chord } => {
    const spelled = spelledFor(pitchClass, formula)
    // The first root is called as it was asked for.
    const named = index === 0 && spelled.twin === ask.from ? { root: ask.from, twin: spelled.root } : spelled
    return { ...named, chord: { root: named.root, formula } }
  })
  const places = roots.map(({ chord }, index) =>
    stringsAt(rule, index).flatMap((string) =>
      everyPlace(chord, string, neck, profile, fretMax).map((shape): RunPlace => placed(shape, string, neck)),
    ),
  )
  const taken = leastRun(places)
  return roots.map((root, index): RunStep => {
    const now = taken[index]
    const before = taken[index - 1]
    return {
      ...root,
      shape: now?.shape,
      string: now?.string,
      hopFrets: now && before && lowestOf(now) - lowestOf(before),
      hopMm: now && before && Math.abs(now.indexMm - before.indexMm),
    }
  })
}

const stringsAt = ({ kind, strings }: PlaceRule, index: number): readonly StringIndex[] =>
  kind === 'nearest' ? strings : strings.slice(index % strings.length, (index % strings.length) + 1)

const lowestOf = ({ shape }: RunPlace): number => lowestPressed(shape.frets)

const placed = (shape: LaneShape, string: StringIndex, neck: Neck): RunPlace => ({
  shape,
  string,
  indexMm: (shape.fingering && indexPlace(shape.frets, shape.fingering.fingers, neck)) ?? 0,
})

/**
 * One place of each root, so that the index finger goes least from the first to the last; of runs that are as short, the
 * one that begins lower. A root without a place is passed by.
 */
export function leastRun(places: readonly (readonly RunPlace[])[]): readonly (RunPlace | undefined)[] {
  let before: readonly { readonly cost: number; readonly way: readonly (RunPlace | undefined)[] }[] = [
    { cost: 0, way: [] },
  ]
  for (const layer of places) {
    if (layer.length === 0) {
      before = before.map(({ cost, way }) => ({ cost, way: [...way, undefined] }))
      continue
    }
    before = layer
      .toSorted((a, b) => a.indexMm - b.indexMm)
      .map((place) => {
        let best: { cost: number; way: readonly (RunPlace | undefined)[] } | undefined
        for (const { cost, way } of before) {
          const last = way.findLast((one) => one !== undefined)
          const whole = cost + (last ? Math.abs(place.indexMm - last.indexMm) : 0)
          if (!best || whole < best.cost - 1e-9) best = { cost: whole, way }
        }
        return { cost: best?.cost ?? 0, way: [...(best?.way ?? []), place] }
      })
  }
  return before.reduce((best, one) => (one.cost < best.cost - 1e-9 ? one : best)).way
}

/** A shape of one's own on every root: all its frets moved alike, wherever they stay on the neck. */
export function movedShapes(frets: Frets, bySemitones: number, neck: Neck, fretMax: number): readonly Frets[] {
  const pressed = frets.flatMap((fret) => (fret === null ? [] : [fret]))
  if (pressed.length === 0) return []
  const [low, high] = [Math.min(...pressed), Math.max(...pressed)]
  const least = Math.max(...frets.map((fret, string) => (fret === null ? 0 : (neck.firstFret[string] ?? 1))))
  const moved: Frets[] = []
  for (let by = (((bySemitones % 12) + 12) % 12) - 24; by <= 24; by += 12)
    if (low + by >= least && high + by <= fretMax) moved.push(frets.map((fret) => (fret === null ? null : fret + by)))
  return moved
}
