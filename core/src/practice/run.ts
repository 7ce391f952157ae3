/**
 * Runs: a material through its roots, each at the place that moves the hand least.
 *   CycleAsk ─cycleOf→ roots ─placesOf (material, rule)→ places of each ─leastRun→ RunStep[], exact
 */

import { gripsOn } from '../answer/index.ts'
import { type ArpeggioNote, arpeggioOf, positionsOf } from '../arpeggio/index.ts'
import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import { everyPlace, everyPlaceInOrder, type LaneShape, shapeOn, type UsualOrder } from '../lane/index.ts'
import { fingertipMm, type Neck, type StringIndex } from '../neck/index.ts'
import { indexPlace } from '../path/index.ts'
import { pitchClassOf, spellDegree } from '../pitch/index.ts'
import type { Playing } from '../request/index.ts'
import { requireAt } from '../result/index.ts'
import type { Taste } from '../taste/index.ts'
import { type Frets, lowestPressed } from '../voicing/index.ts'
import { type CycleAsk, cycleOf, type SpelledRoot, spelledFor } from './cycle.ts'
import type { Material, OwnShape } from './material.ts'

/** Where a root's shape may lie: its root on these strings in turn, or on any of them. One's own shapes keep their strings. */
export type PlaceRule =
  | { readonly kind: 'in-turn'; readonly strings: readonly StringIndex[] }
  | { readonly kind: 'nearest'; readonly strings: readonly StringIndex[] }
  /** In these orders of tones on their strings, whichever is nearest. */
  | { readonly kind: 'orders'; readonly orders: readonly UsualOrder[] }

export interface RunAsk extends CycleAsk {
  readonly material: Material
  readonly rule: PlaceRule
  /** A chord's grips are those that a player takes in this manner; without it the usual orders of its tones. */
  readonly playing?: Playing | undefined
  /** The fret near which it begins; else where one's own shape was held, or the lowest place. */
  readonly near?: number | undefined
  /** No shape goes beyond. */
  readonly fretMax: number
}

export interface RunStep extends SpelledRoot {
  readonly chord: Chord
  /** `undefined` where it has no shape on the strings whose turn it is. */
  readonly shape: LaneShape | undefined
  /** The string of its root, or of its lowest tone where the root is not sounded. */
  readonly string: StringIndex | undefined
  /** Of an arpeggio: its tones in the order in which they are played. */
  readonly line: readonly ArpeggioNote[] | undefined
  /** Of a grip that was chosen by its manner. */
  readonly taste: Taste | undefined
  /** From the step before: how many frets the lowest finger goes, up the neck positive; none for the first. */
  readonly hopFrets: number | undefined
  /** How far the index fingertip goes along the neck. */
  readonly hopMm: number | undefined
}

/** One thing that the hand holds. */
export interface RunPlace {
  readonly chord: Chord
  readonly shape: LaneShape
  readonly string: StringIndex
  readonly line?: readonly ArpeggioNote[] | undefined
  /** Of the index fingertip, in mm from the nut. */
  readonly indexMm: number
  readonly taste?: Taste | undefined
  /** What it costs by itself, in mm that the hand would go instead. */
  readonly dearerMm?: number | undefined
}

/** A grip that is better by one is worth that way: as in a path, where taste counts 3 and a mm 0.015. */
const MM_OF_TASTE = 200

/** All that is played on one root where it may lie. */
export type RunPlaces = readonly [RunPlace, ...RunPlace[]]

export function runOf(ask: RunAsk, neck: Neck, profile: HandProfile): readonly RunStep[] {
  const { material } = ask
  const formula = material.kind === 'shapes' ? (material.shapes[0]?.chord.formula ?? ['R']) : material.formula
  const roots = cycleOf(ask).map((pitchClass, index): SpelledRoot => {
    const spelled = spelledFor(pitchClass, formula)
    // The first root is called as it was asked for.
    return index === 0 && spelled.twin === ask.from ? { root: ask.from, twin: spelled.root } : spelled
  })
  const { playing, rule } = ask
  const gripsOf =
    playing &&
    gripsOn(playing, neck, profile, ask.fretMax, rule.kind === 'nearest' && playing.ensemble === 'bass-player')
  const places = roots.map((root, index) => placesOf(ask, root, index, neck, profile, gripsOf))
  // It begins where the hand is: nearest to one's own shape.
  const [own] = material.kind === 'shapes' ? material.shapes : []
  const start =
    ask.near === undefined
      ? own && ownPlace(own.chord, own.frets, neck, profile).indexMm
      : fingertipMm(neck.scaleLengthMm, ask.near)
  const taken = leastRun(places, start)
  let before: RunPlace | undefined
  return roots.flatMap((root, index): readonly RunStep[] => {
    const all = taken[index]
    if (!all) {
      before = undefined
      const none = {
        shape: undefined,
        string: undefined,
        line: undefined,
        taste: undefined,
        hopFrets: undefined,
        hopMm: undefined,
      }
      return [{ ...root, chord: { root: root.root, formula }, ...none }]
    }
    return all.map((now, within): RunStep => {
      const last = before
      before = now
      const names = within === 0 ? root : { root: now.chord.root, twin: undefined }
      return {
        ...names,
        chord: now.chord,
        shape: now.shape,
        string: now.string,
        line: now.line,
        taste: now.taste,
        hopFrets: last && lowestOf(now) - lowestOf(last),
        hopMm: last && Math.abs(now.indexMm - last.indexMm),
      }
    })
  })
}

/** Where all that is played on a root may lie; each way is looked at by itself. */
function placesOf(
  { material, rule, fretMax }: RunAsk,
  { root }: SpelledRoot,
  index: number,
  neck: Neck,
  profile: HandProfile,
  gripsOf: ReturnType<typeof gripsOn> | undefined,
): readonly RunPlaces[] {
  switch (material.kind) {
    case 'chord': {
      const chord: Chord = { root, formula: material.formula }
      if (rule.kind === 'orders')
        return rule.orders.flatMap((order) =>
          everyPlaceInOrder(chord, order, neck, profile, fretMax).map(
            (shape): RunPlaces => [placed(chord, shape, rootString(shape, order.strings), neck)],
          ),
        )
      if (gripsOf)
        return gripsOf(chord, stringsAt(rule, index)).map(({ frets, string, dearer, taste }): RunPlaces => {
          const place = placed(chord, shapeOn(frets, chord, neck, profile), string, neck)
          return [{ ...place, taste, dearerMm: dearer * MM_OF_TASTE }]
        })
      return stringsAt(rule, index).flatMap((string) =>
        everyPlace(chord, string, neck, profile, fretMax).map(
          (shape): RunPlaces => [placed(chord, shape, string, neck)],
        ),
      )
    }
    case 'arpeggio':
      return positionPlaces({ root, formula: material.formula }, neck, profile, fretMax)
    case 'shapes':
      return movedPlaces(material.shapes, root, neck, profile, fretMax)
  }
}

/** So many tones make a bar of eighths. */
const LINE_TONES = 8

/** Every hand position in which no tone is missing; the line goes from the lowest root up, and back where it ends early. */
function positionPlaces(chord: Chord, neck: Neck, profile: HandProfile, fretMax: number): readonly RunPlaces[] {
  return positionsOf(chord, neck, profile).flatMap(({ at, gaps, high, liesWell }): readonly RunPlaces[] => {
    if (gaps > 0 || high > fretMax || !liesWell) return []
    const { notes } = arpeggioOf(chord, neck, profile, { kind: 'position', at })
    const first = notes.findIndex(({ degree }) => degree === 'R')
    if (first < 0 || notes.some(({ fret }) => fret === 0)) return []
    const up = notes.slice(first, first + LINE_TONES)
    const back = up
      .slice(0, -1)
      .toReversed()
      .slice(0, LINE_TONES - up.length)
    const line = [...up, ...back]
    const frets: (number | null)[] = neck.open.map(() => null)
    // What the hand holds first: the lowest tone on each string.
    for (const { string, fret } of up) frets[string] ??= fret
    const root = requireAt(up, 0)
    const shape = shapeOn(frets, chord, neck, profile)
    return [[{ chord, shape, string: root.string, line, indexMm: fingertipMm(neck.scaleLengthMm, at) }]]
  })
}

/**
 * One's own shapes from a root on: each goes as it did from the one before it, an octave lower or higher where the neck wants
 * it, so that no root is left out for a shape that lies high.
 */
function movedPlaces(
  shapes: readonly OwnShape[],
  root: SpelledRoot['root'],
  neck: Neck,
  profile: HandProfile,
  fretMax: number,
): readonly RunPlaces[] {
  const [first] = shapes
  if (!first) return []
  const by = pitchClassOf(root) - pitchClassOf(first.chord.root)
  const [heads = [], ...others] = shapes.map(({ chord, frets }): readonly RunPlace[] => {
    const named = movedChord(chord, first.chord, root)
    if (!named) return []
    return shifts(by).flatMap((shift) => {
      const there = movedBy(frets, shift, neck, fretMax)
      return there ? [ownPlace(named, there, neck, profile)] : []
    })
  })
  if (others.some(({ length }) => length === 0)) return []
  const own = shapes.map(({ chord, frets }) => ownPlace(chord, frets, neck, profile).indexMm)
  return heads.map((head): RunPlaces => {
    const rest: RunPlace[] = []
    for (const [index, places] of others.entries()) {
      const from = (rest.at(-1) ?? head).indexMm + requireAt(own, index + 1) - requireAt(own, index)
      rest.push(
        places.reduce((best, one) => (Math.abs(one.indexMm - from) < Math.abs(best.indexMm - from) ? one : best)),
      )
    }
    return [head, ...rest]
  })
}

function ownPlace(chord: Chord, frets: Frets, neck: Neck, profile: HandProfile): RunPlace {
  const shape = shapeOn(frets, chord, neck, profile)
  const root = shape.degrees.indexOf('R')
  return placed(chord, shape, root < 0 ? frets.findIndex((fret) => fret !== null) : root, neck)
}

/** A chord of a row, when the row's first chord stands on another root: spelled as it follows from there. */
function movedChord(chord: Chord, first: Chord, root: SpelledRoot['root']): Chord | undefined {
  if (chord === first) return { ...chord, root, ...(chord.bass ? { bass: movedNote(chord.bass, first, root) } : {}) }
  const own = movedNote(chord.root, first, root)
  return { ...chord, root: own, ...(chord.bass ? { bass: movedNote(chord.bass, first, root) } : {}) }
}
const movedNote = (note: SpelledRoot['root'], first: Chord, root: SpelledRoot['root']): SpelledRoot['root'] => {
  const above = (pitchClassOf(note) - pitchClassOf(first.root) + 12) % 12
  return spellDegree(root, PLAIN_DEGREES[above] ?? 'R') ?? spelledFor((pitchClassOf(root) + above) % 12, ['R']).root
}
const PLAIN_DEGREES = ['R', 'b9', '9', 'b3', '3', '11', 'b5', '5', 'b13', '13', 'b7', '7'] as const

/** The string of its root; of the lowest tone where the root is left out. */
const rootString = ({ degrees }: LaneShape, strings: readonly StringIndex[]): StringIndex =>
  strings.find((string) => degrees[string] === 'R') ?? requireAt(strings, 0)

const stringsAt = ({ kind, strings }: Exclude<PlaceRule, { kind: 'orders' }>, index: number): readonly StringIndex[] =>
  kind === 'nearest' ? strings : strings.slice(index % strings.length, (index % strings.length) + 1)

const lowestOf = ({ shape }: RunPlace): number => lowestPressed(shape.frets)

const placed = (chord: Chord, shape: LaneShape, string: StringIndex, neck: Neck): RunPlace => ({
  chord,
  shape,
  string,
  indexMm: (shape.fingering && indexPlace(shape.frets, shape.fingering.fingers, neck)) ?? 0,
})

/**
 * One place of each root, so that the index finger goes least from the first to the last, a dearer grip counting as
 * a way; of runs that are as short, the
 * one that begins lower. A root without a place is passed by.
 * @param startMm Where the index finger is before: the way to the first counts then.
 */
export function leastRun(
  roots: readonly (readonly RunPlaces[])[],
  startMm?: number,
): readonly (RunPlaces | undefined)[] {
  let before: readonly { readonly cost: number; readonly way: readonly (RunPlaces | undefined)[] }[] = [
    { cost: 0, way: [] },
  ]
  for (const places of roots) {
    if (places.length === 0) {
      before = before.map(({ cost, way }) => ({ cost, way: [...way, undefined] }))
      continue
    }
    before = places
      .toSorted(([a], [b]) => a.indexMm - b.indexMm)
      .map((all) => {
        let best: { cost: number; way: readonly (RunPlaces | undefined)[] } | undefined
        for (const { cost, way } of before) {
          const last = way.findLast((one) => one !== undefined)?.at(-1)?.indexMm ?? startMm
          const whole = cost + (last === undefined ? 0 : Math.abs(all[0].indexMm - last))
          if (!best || whole < best.cost - 1e-9) best = { cost: whole, way }
        }
        return { cost: (best?.cost ?? 0) + within(all), way: [...(best?.way ?? []), all] }
      })
  }
  return before.reduce((best, one) => (one.cost < best.cost - 1e-9 ? one : best)).way
}

/** The way of the index finger from the first to the last that is held on one root, and what the grip itself costs. */
const within = (all: RunPlaces): number =>
  (all[0].dearerMm ?? 0) +
  all.slice(1).reduce((sum, { indexMm }, index) => sum + Math.abs(indexMm - requireAt(all, index).indexMm), 0)

/** Up and down the neck by octaves. */
const shifts = (bySemitones: number): readonly number[] =>
  [-24, -12, 0, 12, 24].map((octaves) => (((bySemitones % 12) + 12) % 12) + octaves)

function movedBy(frets: Frets, by: number, neck: Neck, fretMax: number): Frets | undefined {
  const pressed = frets.flatMap((fret) => fret ?? [])
  if (pressed.length === 0 || (by !== 0 && pressed.includes(0))) return undefined
  const least =
    by === 0 ? 0 : Math.max(...frets.map((fret, string) => (fret === null ? 0 : (neck.firstFret[string] ?? 1))))
  return Math.min(...pressed) + by >= least && Math.max(...pressed) + by <= fretMax
    ? frets.map((fret) => (fret === null ? null : fret + by))
    : undefined
}

/** A shape of one's own on every root: all its frets moved alike, wherever they stay on the neck. */
export const movedShapes = (frets: Frets, bySemitones: number, neck: Neck, fretMax: number): readonly Frets[] =>
  shifts(bySemitones).flatMap((by) => {
    const moved = movedBy(frets, by, neck, fretMax)
    return moved ? [moved] : []
  })
