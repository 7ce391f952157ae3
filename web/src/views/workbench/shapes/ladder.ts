/** The shapes found as rows: filtered, grouped by string set and bass tone, in the order that the player wants. */
import type { ShapesFound } from '@nestling/core/answer'
import type { Formula } from '@nestling/core/chord'
import { type Neck, soundingMidi, stringNumber } from '@nestling/core/neck'
import { type Degree, degreePitchClass, type NoteName, pitchClassOf } from '@nestling/core/pitch'
import { type Frets, fretsAt, travel } from '@nestling/core/voicing'

export type LadderOrder = 'ease' | 'neck' | 'near'

export interface LadderFilter {
  readonly bass: Degree | 'foreign' | undefined
  readonly position: Position | undefined
  /** Only what four fingers can hold. */
  readonly playable: boolean
}
export const POSITIONS = ['1–4', '5–8', '9–12', '13+'] as const
export type Position = (typeof POSITIONS)[number]

export interface LadderShape {
  readonly kind: 'shape'
  readonly frets: Frets
  readonly bass: Degree | 'foreign'
  /** The lowest pressed fret; 0 when all strings ring open. */
  readonly lowest: number
  readonly reachMm: number
  readonly playable: boolean
}
export interface LadderHead {
  readonly kind: 'head'
  /** String numbers from the lowest string: `5 4 3 2`. */
  readonly strings: string
  readonly bass: Degree | 'foreign'
  readonly count: number
}
export type LadderRow = LadderHead | LadderShape

export function shapesIn(
  found: ShapesFound,
  chord: { readonly root: NoteName; readonly formula: Formula },
  neck: Neck,
): readonly LadderShape[] {
  const root = pitchClassOf(chord.root)
  const tones: (Degree | undefined)[] = Array.from({ length: 12 })
  for (const degree of chord.formula) tones[(root + degreePitchClass(degree)) % 12] = degree
  return Array.from({ length: found.shown }, (_, row): LadderShape => {
    const frets = fretsAt(found, row)
    let deepest = 128
    let lowest = 0
    for (const [string, fret] of frets.entries()) {
      if (fret === null) continue
      deepest = Math.min(deepest, soundingMidi(neck, string, fret))
      if (fret > 0 && (lowest === 0 || fret < lowest)) lowest = fret
    }
    return {
      kind: 'shape',
      frets,
      bass: tones[deepest % 12] ?? 'foreign',
      lowest,
      reachMm: found.reachesMm[row] as number,
      playable: found.held[row] === 1,
    }
  })
}

export const positionOf = ({ lowest }: LadderShape): Position =>
  lowest <= 4 ? '1–4' : lowest <= 8 ? '5–8' : lowest <= 12 ? '9–12' : '13+'

/** How many shapes there are of each kind, in the order in which the kinds first appear. */
export function countBy<Kind>(
  shapes: readonly LadderShape[],
  kindOf: (shape: LadderShape) => Kind,
): ReadonlyMap<Kind, number> {
  const counts = new Map<Kind, number>()
  for (const shape of shapes) counts.set(kindOf(shape), (counts.get(kindOf(shape)) ?? 0) + 1)
  return counts
}

const passes = (shape: LadderShape, filter: LadderFilter): boolean =>
  (filter.bass === undefined || shape.bass === filter.bass) &&
  (filter.position === undefined || positionOf(shape) === filter.position) &&
  (!filter.playable || shape.playable)

export const filtered = (shapes: readonly LadderShape[], filter: LadderFilter): readonly LadderShape[] =>
  shapes.filter((shape) => passes(shape, filter))

/** Heads per shape, at most. */
const MOST_HEADS = 0.6

/**
 * On one string set the shapes are grouped by bass tone, a group where its first shape stands; over many sets they stay in their
 * order, which groups would tear apart. Shapes come in as ranked.
 * @param near For the order by closeness; without a shape in hand it falls back to the ranking.
 */
export function ladderOf(
  shapes: readonly LadderShape[],
  order: LadderOrder,
  near: Frets | undefined,
): readonly LadderRow[] {
  const weight = (shape: LadderShape): number => {
    if (order === 'neck') return shape.lowest
    return order === 'near' && near ? travel(near, shape.frets) : 0
  }
  // Sorting is stable: shapes of equal weight stay as they were ranked.
  const sorted = order === 'ease' ? shapes : shapes.toSorted((a, b) => weight(a) - weight(b))
  const [first] = sorted
  const set = first && stringsMask(first.frets)
  if (sorted.some(({ frets }) => stringsMask(frets) !== set)) return sorted
  const groups = new Map<LadderShape['bass'], LadderShape[]>()
  for (const shape of sorted) {
    const group = groups.get(shape.bass)
    if (group) group.push(shape)
    else groups.set(shape.bass, [shape])
  }
  // Heads over single shapes would only hide them: the row tells its bass itself then.
  if (groups.size > sorted.length * MOST_HEADS) return [...groups.values()].flat()
  return [...groups.values()].flatMap((group): readonly LadderRow[] => {
    const [{ frets, bass }] = group as [LadderShape, ...LadderShape[]]
    return [{ kind: 'head', strings: stringsWord(frets), bass, count: group.length }, ...group]
  })
}

/** The strings that sound, one bit each. */
const stringsMask = (frets: Frets): number =>
  frets.reduce<number>((mask, fret, string) => (fret === null ? mask : mask | (1 << string)), 0)

const stringsWord = (frets: Frets): string =>
  frets.flatMap((fret, string) => (fret === null ? [] : [stringNumber(string, frets.length)])).join(' ')
