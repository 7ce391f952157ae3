/** Bars in systems: how wide each is, how many fit beside one another, and the scale at which all of it is in sight. */
import { letterIndexOf, type Pitch } from '@nestling/core/pitch'
import type { WrittenBar, WrittenValue } from '@nestling/core/time'

/** A bar, or bars of nothing that are counted in one sign. */
export type BarGroup = readonly [WrittenBar, ...WrittenBar[]]

/** Room for clef, time and signature before the first note. */
export const headPx = (fifths = 0): number => 92 + Math.abs(fifths) * 11
/** Room for one note. */
const NOTE_PX: Readonly<Record<WrittenValue, number>> = { whole: 60, half: 52, quarter: 46, eighth: 33, sixteenth: 27 }
const LEAST_BAR_PX = 110
/** Right of the last bar. */
export const EDGE_PX = 8
/** A line that fills no system is not spread over the whole page. */
const MOST_SPREAD = 1.25

export interface PlacedGroup {
  readonly group: BarGroup
  readonly width: number
}

const isEmpty = ({ events }: WrittenBar): boolean => events.every(({ notes }) => notes.length === 0)
const hasSigns = ({ over }: WrittenBar): boolean =>
  over !== undefined &&
  (over.part !== undefined ||
    over.tempoBpm !== undefined ||
    over.opens === true ||
    over.closes === true ||
    (over.names ?? []).length > 0)
const isOneMetre = (a: WrittenBar, b: WrittenBar): boolean =>
  a.metre.count === b.metre.count && a.metre.unit === b.metre.unit

/** Bars of nothing with nothing over them, one after another, are one group; what stands over the first stands over all. */
export function groupsOf(bars: readonly WrittenBar[]): readonly BarGroup[] {
  const groups: [WrittenBar, ...WrittenBar[]][] = []
  for (const bar of bars) {
    const open = groups.at(-1)
    const joins = open !== undefined && isEmpty(open[0]) && isEmpty(bar) && !hasSigns(bar) && isOneMetre(open[0], bar)
    if (joins && !open[0].over?.closes) open.push(bar)
    else groups.push([bar])
  }
  return groups
}

const groupWidth = ([{ events, over }]: BarGroup): number =>
  Math.max(
    LEAST_BAR_PX,
    events.reduce((sum, event) => sum + NOTE_PX[event.value], 0),
    (over?.names ?? []).reduce((sum, { name }) => sum + 14 + name.length * NAME_LETTER_PX, 0),
  )
const NAME_LETTER_PX = 9

/** Groups into systems, as many as fit; of each system the bars share its room by what they hold. */
export function rowsOf(groups: readonly BarGroup[], room: number): readonly (readonly PlacedGroup[])[] {
  const rows: PlacedGroup[][] = []
  let used = Number.POSITIVE_INFINITY
  for (const group of groups) {
    const width = groupWidth(group)
    if (used + width > room) {
      rows.push([])
      used = 0
    }
    rows.at(-1)?.push({ group, width })
    used += width
  }
  return rows.map((row, index) => {
    const natural = row.reduce((sum, { width }) => sum + width, 0)
    const spread = room / natural
    // A last system is spread like the others, as far as that looks well.
    const by = index === rows.length - 1 ? Math.min(spread, MOST_SPREAD) : spread
    return row.map(({ group, width }) => ({ group, width: width * by }))
  })
}

/** All in one system: by widths that are given, of which the first holds the clef too; else by what the bars hold. */
export function inOneRow(
  bars: readonly WrittenBar[],
  room: number,
  widths: readonly number[] | undefined,
  head: number,
): readonly PlacedGroup[] {
  if (widths) return bars.map((bar, index) => ({ group: [bar], width: withHead(bars, widths, head)[index] ?? 0 }))
  const groups = groupsOf(bars)
  const natural = groups.reduce((sum, group) => sum + groupWidth(group), 0)
  return groups.map((group) => ({ group, width: (groupWidth(group) * room) / natural }))
}

/** Of what a bar would like, what its notes need at least. */
const LEAST_SHARE = 0.7

/** Given widths without the clef's room; where that leaves too little for the first bar's notes, the others give of theirs. */
function withHead(bars: readonly WrittenBar[], widths: readonly number[], head: number): readonly number[] {
  const [first = 0, ...rest] = widths
  const needed = bars[0] ? LEAST_SHARE * groupWidth([bars[0]]) : 0
  const all = rest.reduce((sum, width) => sum + width, 0)
  const lacks = Math.min(Math.max(0, needed - (first - head)), all / 4)
  return [first - head + lacks, ...rest.map((width) => (width * (all - lacks)) / Math.max(1, all))]
}

/** Smaller than this the numbers can't be read from a music stand. */
const SCALES = [1, 0.95, 0.9, 0.85, 0.8, 0.75] as const

/** What could still be in sight when it is drawn smaller. */
const MOST_BEYOND = 1.4

/**
 * What was drawn at a scale, and is higher than its room: the next smaller scale, or 1 where none will do.
 * @param height Of the drawing at its own size; both in pixels.
 */
export function smallerScale(scale: number, height: number, room: number): number | undefined {
  if (height * scale <= room || (scale === 1 && height > room * MOST_BEYOND)) return undefined
  return SCALES.find((one) => one < scale) ?? 1
}

/** The largest scale at which all of it should be in sight in a box of so many pixels; 1 where none will do, and it scrolls. */
export function scaleFor(
  bars: readonly WrittenBar[],
  { strings, width, above = 0 }: { readonly strings: number; readonly width: number; readonly above?: number },
  height: number,
): number {
  const groups = groupsOf(bars)
  const systemPx = aboutHeight(bars, strings)
  const fits = (scale: number) =>
    (above + rowsOf(groups, width / scale - headPx() - EDGE_PX).length * systemPx + UNDER_PX) * scale <= height
  return SCALES.find(fits) ?? 1
}

/** Below the last system. */
export const UNDER_PX = 12
export const TAB_LINE_PX = 13
/** Under a TAB, before the next system: the row of fingers stands there. */
export const FEET_PX = 38
/** From a staff to its TAB, at least: the 8 under the clef stands there; and from what stands lowest on a staff. */
export const LEAST_TO_TAB_PX = 34
export const TO_TAB_PX = 8
/** Above a system. */
export const OVER_PX = 6

/** Steps of the staff; a staff's lines; what a clef, an accent, a tuplet's number and names need. */
const STEP_PX = 5
const LINES_PX = 40
const CLEF_PX = 16
const NUMBER_PX = 16
const NAMES_PX = 24

/** About what a system needs; how high it is in the end is measured when it is drawn. In pixels. */
function aboutHeight(bars: readonly WrittenBar[], strings: number): number {
  const events = bars.flatMap((bar) => bar.events)
  const steps = events.flatMap(({ notes }) => notes.map(({ pitch }) => stepOnStaff(pitch)))
  const numbers = events.some(({ triplet }) => triplet) ? NUMBER_PX : 0
  const accents = events.some(({ accent }) => accent) ? NUMBER_PX : 0
  const names = bars.some(hasSigns) ? NAMES_PX : 0
  const above = Math.max(CLEF_PX, STEP_PX * (Math.max(TOP_LINE, ...steps) - TOP_LINE + 1)) + numbers + accents + names
  const below = Math.max(LEAST_TO_TAB_PX, STEP_PX * (LOW_E - Math.min(LOW_E, ...steps)) + 30 + numbers)
  return OVER_PX + above + LINES_PX + below + (strings - 1) * TAB_LINE_PX + FEET_PX
}

/** Letters above C0; the guitar is written an octave higher than it sounds. */
const stepOnStaff = ({ name, octave }: Pitch): number => 7 * (octave + 1) + letterIndexOf(name)
const TOP_LINE = 7 * 5 + 3
const LOW_E = 7 * 3 + 2
