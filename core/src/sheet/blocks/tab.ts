/** TAB lines with what is struck, where it is struck in time. */
import type { StringEvent } from '../../time/index.ts'
import { line, type Mark, text } from '../marks.ts'

export const TAB_PITCH = 2.9
const DIGITS = 3.1

export interface TabRoom {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly strings: number
}

export const tabHeight = (strings: number): number => (strings - 1) * TAB_PITCH

/** The lines of a bar and its barlines: thick where the tune ends, with dots where it repeats. */
export function tabBar(
  { x, y, width, strings }: TabRoom,
  marks: { readonly first: boolean; readonly opens: boolean; readonly closes: boolean; readonly ends: boolean },
): readonly Mark[] {
  const bottom = y + tabHeight(strings)
  const end = x + width
  const dots = (at: number): readonly Mark[] =>
    [1, -1].map((side) => {
      const middle = y + tabHeight(strings) / 2 + side * TAB_PITCH
      return line(at - 0.01, middle, at + 0.01, middle, 'ink', 0.8)
    })
  return [
    ...Array.from({ length: strings }, (_, row) =>
      line(x, y + row * TAB_PITCH, end, y + row * TAB_PITCH, 'soft', 0.14),
    ),
    ...(marks.first ? [line(x, y, x, bottom, 'ink', 0.22)] : []),
    ...(marks.opens
      ? [line(x, y, x, bottom, 'ink', 0.8), line(x + 1, y, x + 1, bottom, 'ink', 0.22), ...dots(x + 2.2)]
      : []),
    ...(marks.closes || marks.ends
      ? [line(end - 1.2, y, end - 1.2, bottom, 'ink', 0.22), line(end, y, end, bottom, 'ink', 0.8)]
      : [line(end, y, end, bottom, 'ink', 0.22)]),
    ...(marks.closes ? dots(end - 2.4) : []),
  ]
}

/**
 * The numbers of what is struck in a bar. Where strokes come quicker than numbers have room, only those are written with
 * which a chord begins.
 * @param beats How long the bar is; events count from its start.
 */
export function tabDigits(
  { x, y, width, strings }: TabRoom,
  events: readonly StringEvent[],
  beats: number,
  inset: number,
): readonly Mark[] {
  const onsets = [...new Set(events.map(({ at }) => Math.round(at * 100) / 100))].sort((a, b) => a - b)
  const room = (width - inset - 4) / beats
  const least = Math.min(...onsets.slice(1).map((at, index) => at - (onsets[index] as number)))
  const crowded = onsets.length > 1 && least * room < DIGITS
  const firstOf = new Map<number, number>()
  for (const { mark = -1, at } of events) firstOf.set(mark, Math.min(firstOf.get(mark) ?? at, at))
  return events
    .filter(({ mark = -1, at }) => !crowded || at - (firstOf.get(mark) ?? at) < 0.2)
    .map(({ at, string, fret }) => ({
      ...text(x + inset + at * room, y + (strings - 1 - string) * TAB_PITCH + 1.1, String(fret), {
        size: DIGITS,
        anchor: 'middle',
        face: 'bold',
      }),
      backed: DIGITS * (fret > 9 ? 1.25 : 0.75),
    }))
}
