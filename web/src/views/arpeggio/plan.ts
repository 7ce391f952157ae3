/** From a plan to what is drawn, written and played. */
import {
  type Arpeggio,
  type ArpeggioNote,
  type ArpeggioWay,
  arpeggioOf,
  type ChordPlace,
  chordPlaces,
  highestPosition,
  lowestPosition,
  type PositionSummary,
  playingOrder,
  positionsOf,
} from '@nestling/core/arpeggio'
import { type ScaleFit, scalesFor } from '@nestling/core/key'
import { type Neck, neckOf } from '@nestling/core/neck'
import { instrumentFor, type Player } from '@nestling/core/request'
import { soundingStrings } from '@nestling/core/voicing'
import type { Plan } from './types.ts'

/** More notes than this are neither written nor played; the view says so. */
export const MOST_NOTES = 192

/** A plan laid on the neck. */
export interface ArpeggioLine {
  readonly neck: Neck
  readonly arpeggio: Arpeggio
  /** The fingering that the player chose. */
  readonly notes: readonly ArpeggioNote[]
  /** Indices of the notes in playing order. */
  readonly order: readonly number[]
  /** How many notes were left off the end. */
  readonly cutNotes: number
  readonly positions: readonly PositionSummary[]
  readonly scales: readonly ScaleFit[]
  readonly scale: ScaleFit | undefined
  /** Every chord tone of the neck, for the finder. */
  readonly places: readonly ChordPlace[]
}

export const neckFor = (plan: Pick<Plan, 'tuning'>, player: Player): Neck => neckOf(instrumentFor(plan, player))

/** A place that the neck has. */
export const clampAt = (at: number, neck: Neck): number =>
  Math.min(highestPosition(neck), Math.max(lowestPosition(neck), at))

export function wayOf(plan: Plan, neck: Neck): ArpeggioWay {
  const at = clampAt(plan.at, neck)
  const string = Math.min(plan.string, neck.open.length - 1)
  switch (plan.way) {
    case 'position':
      return { kind: 'position', at }
    case 'two-a-string':
      return { kind: 'two-a-string', at }
    case 'one-string':
      return { kind: 'one-string', string }
    case 'diagonal':
      return { kind: 'diagonal', string, at, octaves: plan.climb }
    case 'strings':
      return { kind: 'strings', at, strings: stringsOfShape(plan, neck) }
  }
}

/** The strings of the voicing in hand, or the four highest. */
function stringsOfShape({ shape }: Plan, neck: Neck): readonly number[] {
  const used = shape ? soundingStrings(shape) : []
  return used.length > 1 ? used : neck.open.map((_, string) => string).slice(-4)
}

export function lineOf(plan: Plan, player: Player): ArpeggioLine {
  const neck = neckFor(plan, player)
  const chosen = new Map(plan.chosen.map((one) => one.split(':').map(Number) as [number, number]))
  const arpeggio = arpeggioOf(plan.chord, neck, player.hand, wayOf(plan, neck), { chosen })
  const notes = arpeggio.lines[plan.line]?.notes ?? arpeggio.notes
  const { from, direction, pattern, octaves } = plan
  const order = playingOrder(notes, { from, direction, pattern, octaves })
  const scales = scalesFor(plan.chord)
  return {
    neck,
    arpeggio,
    notes,
    order: order.slice(0, MOST_NOTES),
    cutNotes: Math.max(0, order.length - MOST_NOTES),
    positions: positionsOf(plan.chord, neck, player.hand),
    scales,
    scale: scales.find(({ scale }) => scale.name === plan.scale),
    places: chordPlaces(plan.chord, neck),
  }
}

/** The plan with a pitch on the string that the player wants. */
export const onString = ({ chosen }: Plan, { midi, string }: Pick<ChordPlace, 'midi' | 'string'>): Partial<Plan> => ({
  chosen: [...chosen.filter((one) => !one.startsWith(`${midi}:`)), `${midi}:${string}`],
  line: 0,
})

/** Choices that belong to another line are given up with it. */
export function settled(now: Plan, changes: Partial<Plan>): Plan {
  const next = { ...now, ...changes }
  const other = next.chord !== now.chord || next.way !== now.way || next.at !== now.at || next.string !== now.string
  const from = next.from === 'lowest' || next.chord.formula.includes(next.from) ? next.from : 'R'
  const find = next.find !== undefined && next.chord.formula.includes(next.find) ? next.find : undefined
  return { ...next, from, find, ...(other ? { line: 0, chosen: changes.chosen ?? [] } : {}) }
}
