/**
 * From notes in time to what is written: bars of notes, chords and rests with their values.
 *   Score ─writtenBars→ WrittenBar[] ─(engraving)→ staff and TAB;  ─playedAgain→ the same onsets and lengths
 */
import { beatsInBar, type Metre } from './metre.ts'
import { type Score, type StringEvent, type StringNote, stringEvents } from './score.ts'
import { type BarGrid, barGrid, noteSign, restSign, TICKS, tick, type WrittenValue } from './signs.ts'

export interface WrittenEvent {
  /** Beats from the start of the music; the count-in is not written. */
  readonly at: number
  /** Beats that it takes. */
  readonly length: number
  readonly value: WrittenValue
  readonly dotted: boolean
  /** One of three in the time of two. */
  readonly triplet: boolean
  /** Low to high; empty for a rest. */
  readonly notes: readonly StringNote[]
  readonly accent: boolean
  /** Held on into the next event. */
  readonly tied: boolean
  /** The mark of the event that it writes. */
  readonly mark: number | undefined
}

export interface WrittenBar {
  readonly at: number
  readonly metre: Metre
  readonly events: readonly WrittenEvent[]
  readonly over?: OverBar | undefined
}

/** What stands at a bar's lines and over it. */
export interface OverBar {
  /** A repeat begins, or ends, here. */
  readonly opens?: boolean | undefined
  readonly closes?: boolean | undefined
  /** Names of chords, at beats from the bar's start. */
  readonly names?: readonly { readonly at: number; readonly name: string }[] | undefined
  /** The part that begins here. */
  readonly part?: string | undefined
  /** Quarter notes in a minute, from here on. */
  readonly tempoBpm?: number | undefined
}

/** A stretch of time in which the same notes sound, or none. */
interface Stretch {
  readonly from: number
  readonly to: number
  readonly events: readonly StringEvent[]
}

/** Notes that begin together, each until it is damped or the next begins; the silence between them. */
function stretchesOf(score: Score): readonly Stretch[] {
  const end = tick(score.beats - score.countIn)
  const onsets = new Map<number, StringEvent[]>()
  for (const event of stringEvents(score)) {
    // A stroke across the strings is written where it begins.
    const at = tick((event.struckAt ?? event.at) - score.countIn)
    const there = onsets.get(at)
    if (there) there.push(event)
    else onsets.set(at, [event])
  }
  const starts = [...onsets].filter(([at]) => at >= 0 && at < end).sort(([a], [b]) => a - b)
  const stretches: Stretch[] = []
  let now = 0
  for (const [index, [from, events]] of starts.entries()) {
    if (from > now) stretches.push({ from: now, to: from, events: [] })
    const next = starts[index + 1]?.[0] ?? end
    const longest = Math.max(...events.map(({ length }) => (length === undefined ? next - from : tick(length))))
    const to = Math.max(from + 1, Math.min(next, from + longest))
    stretches.push({ from, to, events: events.toSorted((a, b) => a.midi - b.midi) })
    now = to
  }
  if (now < end) stretches.push({ from: now, to: end, events: [] })
  return stretches
}

/** The bars' grids, one after another, with the quarter notes in which something falls on a third. */
function gridsOf(bars: readonly MetreBar[], stretches: readonly Stretch[]): readonly BarGrid[] {
  const cuts = stretches.flatMap(({ from, to }) => [from, to])
  return bars.map(({ at, metre }) => {
    const start = tick(at)
    const inside = cuts.map((cut) => cut - start).filter((place) => place >= 0 && place < tick(beatsInBar(metre)))
    const thirds = inside.filter((place) => place % TICKS === 4 || place % TICKS === 8)
    return barGrid(metre, start, new Set(thirds.map((place) => Math.floor(place / TICKS))))
  })
}

export interface MetreBar {
  /** Beats from the start of the music, without its count-in. */
  readonly at: number
  readonly metre: Metre
}

/** Bars of the score's one metre. */
function evenBars({ metre, beats, countIn }: Score): readonly MetreBar[] {
  const bar = beatsInBar(metre)
  return Array.from({ length: Math.ceil((beats - countIn) / bar - 1e-9) }, (_, index) => ({ at: index * bar, metre }))
}

/**
 * Bars that are written for the plucked strings of a score; the last is filled with rests.
 * @param bars Where they lie, when the metre changes on the way.
 */
export function writtenBars(score: Score, bars: readonly MetreBar[] = evenBars(score)): readonly WrittenBar[] {
  const stretches = stretchesOf(score)
  const grids = gridsOf(bars, stretches)
  const events: WrittenEvent[][] = grids.map(() => [])
  let index = 0
  for (const { from, to, events: sounding } of stretches) {
    const signOf = sounding.length > 0 ? noteSign : restSign
    for (let at = from; at < to; ) {
      let grid = grids[index]
      while (grid && at >= grid.start + grid.length) {
        index++
        grid = grids[index]
      }
      const sign = grid && signOf(at - grid.start, to - at, grid)
      // What is shorter than any sign is taken into the sign before it.
      if (!sign) break
      const [first] = sounding
      events[index]?.push({
        at: at / TICKS,
        length: sign.ticks / TICKS,
        value: sign.value,
        dotted: sign.dotted,
        triplet: sign.triplet,
        notes: sounding.map(({ midi, pitch, string, fret, finger }) => ({ midi, pitch, string, fret, finger })),
        accent: at === from && sounding.some(({ accent }) => accent === true),
        tied: sounding.length > 0 && at + sign.ticks < to,
        mark: first?.mark,
      })
      at += sign.ticks
    }
  }
  return bars.map(({ at, metre }, bar) => ({ at, metre, events: filled(grids[bar], events[bar] ?? []) }))
}

/** A bar that the music leaves before its end, or doesn't reach, is silent from there on. */
function filled(grid: BarGrid | undefined, events: readonly WrittenEvent[]): readonly WrittenEvent[] {
  if (!grid) return events
  const all = [...events]
  const last = all.at(-1)
  let at = last ? tick(last.at + last.length) : grid.start
  while (at < grid.start + grid.length) {
    const sign = restSign(at - grid.start, grid.start + grid.length - at, grid)
    if (!sign) break
    const { ticks, ...said } = sign
    const rest = { at: at / TICKS, length: ticks / TICKS, notes: [], accent: false, tied: false, mark: undefined }
    all.push({ ...rest, ...said })
    at += ticks
  }
  return all
}

/** What a player who reads the bars plays: onsets and lengths in beats, ties joined. */
export function playedAgain(
  bars: readonly WrittenBar[],
): readonly { readonly at: number; readonly length: number; readonly notes: readonly StringNote[] }[] {
  const played: { at: number; length: number; notes: readonly StringNote[] }[] = []
  let held = false
  for (const { at, length, notes, tied } of bars.flatMap(({ events }) => events)) {
    const last = played.at(-1)
    if (held && last) last.length += length
    else if (notes.length > 0) played.push({ at, length, notes })
    held = tied
  }
  return played
}
