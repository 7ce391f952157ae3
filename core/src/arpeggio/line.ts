/**
 * Fingers for a rising line: which of its places each tone is played on, where the hand stands, what it costs.
 *   choices per tone ─best ways so far per (place, hand)→ cheapest lines, each with other strings than those before
 */
import { type Finger, type HandProfile, reachBetweenMm } from '../hand/index.ts'
import type { Neck } from '../neck/index.ts'
import { lowestPosition } from './places.ts'
import type { ArpeggioNote, ChordPlace, FingeredLine } from './types.ts'

export interface LineLimits {
  /** The hand stays here. Without it, it may move. */
  readonly handAt?: number | undefined
  /** The hand never moves back towards the nut. */
  readonly onlyUp?: boolean | undefined
}

/** How a tone can be held: a place and where the hand stands. */
export interface Held {
  readonly place: ChordPlace
  readonly handAt: number
  readonly finger: Finger | null
  readonly stretched: boolean
}

const STRETCH_COST = 0.9
/** A stretch beyond what this hand holds at ease costs this much more for each tenth beyond. */
const BEYOND_COST = 0.6
const SHIFT_COST = 1.6
const SHIFT_FRET_COST = 0.22
/** While an open string rings, the hand moves at leisure. */
const SHIFT_UNDER_OPEN = 0.4
/** One finger for neighbouring strings in one fret has to roll; on two frets it has to jump. */
const ROLL_COST = 0.5
const JUMP_COST = 1
const SKIPPED_STRING_COST = 0.25
const LITTLE_FINGER_COST = 0.1

/** All ways to hold one tone, the hand anywhere that reaches it. */
export function waysToHold(place: ChordPlace, neck: Neck, { handAt }: LineLimits): readonly Held[] {
  const lowest = lowestPosition(neck)
  if (place.fret === 0) {
    if (handAt !== undefined) return [{ place, handAt, finger: null, stretched: false }]
    // Under an open string the hand may stand anywhere: the next tone decides, so every place is offered.
    return Array.from({ length: neck.lastFret - lowest + 1 }, (_, index) => ({
      place,
      handAt: lowest + index,
      finger: null,
      stretched: false,
    }))
  }
  const held: Held[] = []
  for (let at = Math.max(lowest, place.fret - 4); at <= place.fret + 1; at++) {
    if (handAt !== undefined && at !== handAt) continue
    const reach = place.fret - at
    const finger = Math.min(4, Math.max(1, reach + 1)) as Finger
    held.push({ place, handAt: at, finger, stretched: reach < 0 || reach > 3 })
  }
  return held
}

/** What a tone costs by itself. */
export function heldCost({ place, handAt, finger, stretched }: Held, neck: Neck, hand: HandProfile): number {
  if (finger === null) return 0
  const little = finger === 4 ? LITTLE_FINGER_COST : 0
  if (!stretched) return little
  const mm =
    place.fret < handAt ? reachBetweenMm(neck, place.fret, handAt + 3) : reachBetweenMm(neck, handAt, place.fret)
  const beyond = Math.max(0, mm - hand.comfortableMm) / (hand.comfortableMm / 10)
  return STRETCH_COST + BEYOND_COST * beyond + little
}

/** What it costs to go from one tone to the next. `undefined` where the limits forbid it. */
export function stepCost(from: Held, to: Held, { onlyUp }: LineLimits): number | undefined {
  const way = to.handAt - from.handAt
  if (onlyUp && way < 0) return undefined
  let cost = 0
  if (way !== 0) cost += (SHIFT_COST + SHIFT_FRET_COST * Math.abs(way)) * (from.finger === null ? SHIFT_UNDER_OPEN : 1)
  const across = Math.abs(to.place.string - from.place.string)
  cost += SKIPPED_STRING_COST * Math.max(0, across - 1)
  if (way === 0 && from.finger !== null && from.finger === to.finger)
    cost += from.place.fret === to.place.fret ? ROLL_COST : JUMP_COST
  return cost
}

interface Way {
  readonly held: Held
  readonly cost: number
  readonly before: Way | undefined
  /** The strings so far: ways that differ only in where the hand stands count as one. */
  readonly strings: string
}

/**
 * The cheapest lines through one place of every tone, each on other strings than those before it.
 * @param tones  For every tone of the line, low to high, the places that it may be played on.
 * @param most   How many lines are wanted at most.
 * @returns Empty when a tone has no place, or the limits leave no way.
 */
export function fingerLine(
  tones: readonly (readonly ChordPlace[])[],
  neck: Neck,
  hand: HandProfile,
  limits: LineLimits,
  most = 1,
): readonly FingeredLine[] {
  /** For every place and stand of the hand, the cheapest ways that end there, cheapest first. */
  let ends: readonly (readonly Way[])[] = []
  for (const [index, places] of tones.entries()) {
    const next: (readonly Way[])[] = []
    for (const held of places.flatMap((place) => waysToHold(place, neck, limits))) {
      const own = heldCost(held, neck, hand)
      const here = new Cheapest(most)
      if (index === 0) here.offer(held, own, undefined)
      else
        for (const ways of ends) {
          const step = stepCost((ways[0] as Way).held, held, limits)
          if (step === undefined) continue
          for (const before of ways) if (!here.offer(held, before.cost + step + own, before)) break
        }
      if (here.ways.length > 0) next.push(here.ways)
    }
    if (next.length === 0) return []
    ends = next
  }
  const best = new Cheapest(most)
  for (const ways of ends) for (const way of ways) best.take(way)
  return best.ways.map(lineOf)
}

/** The cheapest way of every row of strings, at most so many of them, cheapest first. */
class Cheapest {
  readonly ways: Way[] = []
  private readonly most: number

  constructor(most: number) {
    this.most = most
  }

  /** @returns False when it is too dear, and so would be every dearer one. */
  offer(held: Held, cost: number, before: Way | undefined): boolean {
    if (this.isTooDear(cost)) return false
    this.take({ held, cost, before, strings: (before?.strings ?? '') + String.fromCharCode(held.place.string) })
    return true
  }

  take(way: Way): void {
    if (this.isTooDear(way.cost)) return
    const { ways } = this
    const same = ways.findIndex(({ strings }) => strings === way.strings)
    if (same >= 0) {
      if ((ways[same] as Way).cost <= way.cost) return
      ways.splice(same, 1)
    }
    const place = ways.findIndex(({ cost }) => cost > way.cost)
    ways.splice(place < 0 ? ways.length : place, 0, way)
    if (ways.length > this.most) ways.pop()
  }

  private isTooDear(cost: number): boolean {
    return this.ways.length === this.most && cost >= (this.ways[this.most - 1] as Way).cost
  }
}

function lineOf(last: Way): FingeredLine {
  const held: Held[] = []
  for (let way: Way | undefined = last; way; way = way.before) held.unshift(way.held)
  return {
    notes: held.map(({ place, handAt, finger, stretched }): ArpeggioNote => ({ ...place, finger, handAt, stretched })),
    cost: {
      shifts: held.filter((one, index) => index > 0 && one.handAt !== held[index - 1]?.handAt).length,
      stretches: held.filter(({ stretched }) => stretched).length,
      total: last.cost,
    },
  }
}
