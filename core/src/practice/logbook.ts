/**
 * The logbook: what weeks of attempts say. Shapes by roots, days and tempi are counted where the entries are kept; here is
 * what they are, how days of rest stand among them, and what asks for more.
 */
import { isWeak, type Judge, type LogGrade } from './grade.ts'

/** One root of a run, or one card. */
export interface LogEntry {
  readonly id: string
  /** When it was played, in ms. */
  readonly at: number
  /** Of the player's own calendar: `2026-11-23`. */
  readonly day: string
  readonly kind: 'run' | 'card'
  /** The material's text. */
  readonly material: string
  /** What stands behind the root: `m7`. */
  readonly suffix: string
  /** The root as a pitch class; `null` where a card has none. */
  readonly root: number | null
  /** The number of the root's string, 1 the highest; 0 where nothing was held. */
  readonly string: number
  readonly frets: string
  /** The shape without its place. */
  readonly form: string
  /** Quarter notes in a minute; 0 for a card. */
  readonly tempo: number
  readonly grade: LogGrade
  readonly judge: Judge
  readonly shown: boolean
  readonly seconds: number
  /** What the ear found: `3:+1` string 3 a fret high, `4:0` silent, `6:r` rang; empty where nothing was wrong. */
  readonly faults: string
  readonly instrument: string
}

export interface HomeCell {
  /** The quickest that was clean; `undefined` while none was. */
  readonly best: number | undefined
  readonly times: number
  readonly last: LogGrade
}

/** A shape, and how it went on every root. */
export interface HomeRow {
  readonly key: string
  readonly suffix: string
  readonly string: number
  readonly form: string
  /** Where it was played last, to draw it. */
  readonly frets: string
  /** By pitch class; `null` where it was never played. */
  readonly cells: readonly (HomeCell | null)[]
}

export const rowKey = ({ suffix, form }: Pick<LogEntry, 'suffix' | 'form'>): string => `${suffix} ${form}`

/** A day of the calendar; one without minutes was a day of rest. */
export interface LogDay {
  readonly day: string
  readonly seconds: number
  readonly runs: number
  readonly cards: number
}

const DAY_MS = 24 * 3600_000
export const dayNumber = (day: string): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS)
export const dayText = (number: number): string => new Date(number * DAY_MS).toISOString().slice(0, 10)

/** Every day from the first to the last, days of rest among those that were played. */
export function withRest(played: readonly LogDay[], from: string, to: string): readonly LogDay[] {
  const known = new Map(played.map((one) => [one.day, one]))
  const first = dayNumber(from)
  return Array.from({ length: Math.max(0, dayNumber(to) - first + 1) }, (_, index): LogDay => {
    const day = dayText(first + index)
    return known.get(day) ?? { day, seconds: 0, runs: 0, cards: 0 }
  })
}

/** A day on which a shape was played. */
export interface TempoDay {
  readonly day: string
  /** The middle of the tempi at which it was clean; `undefined` where it was not. */
  readonly middle: number | undefined
  /** The quickest on the root that is looked at. */
  readonly onRoot: number | undefined
}

/** The middle one; of an even number, the mean of the two. */
export function middleOf(numbers: readonly number[]): number {
  const sorted = numbers.toSorted((a, b) => a - b)
  const half = sorted.length / 2
  return sorted.length % 2 === 1
    ? (sorted[Math.floor(half)] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2
}

/** What asks for more: a root, a string that is found wrong, or a shape. */
export type Weak =
  | { readonly kind: 'root'; readonly root: number; readonly lost: number; readonly of: number }
  | {
      readonly kind: 'string'
      readonly string: number
      readonly fault: string
      readonly times: number
      readonly of: number
    }
  | {
      readonly kind: 'shape'
      readonly key: string
      readonly suffix: string
      readonly string: number
      readonly lost: number
      readonly of: number
    }

/** So many newest attempts tell; an older weakness may have healed. */
export const WEAK_LOOKS_BACK = 240
/** Less often than so many times says nothing. */
const TOLD_FROM = 3
const MOST_WEAK = 5

/** What is looked at of an entry. */
export type WeakEntry = Pick<LogEntry, 'root' | 'suffix' | 'form' | 'string' | 'grade' | 'judge' | 'faults'>

/**
 * @param newest The newest roots of runs that were judged, `WEAK_LOOKS_BACK` of them.
 * @returns The roots and shapes that are lost or hard most often, and the strings that the ear finds wrong.
 */
export function weakOf(newest: readonly WeakEntry[]): readonly Weak[] {
  const roots = new Map<number, { lost: number; of: number }>()
  const shapes = new Map<string, { lost: number; of: number; entry: WeakEntry }>()
  const faults = new Map<string, number>()
  let listened = 0
  for (const entry of newest) {
    const lost = isWeak(entry.grade) ? 1 : 0
    if (entry.root !== null) {
      const root = roots.get(entry.root) ?? { lost: 0, of: 0 }
      roots.set(entry.root, { lost: root.lost + lost, of: root.of + 1 })
    }
    const key = rowKey(entry)
    const shape = shapes.get(key) ?? { lost: 0, of: 0, entry }
    shapes.set(key, { ...shape, lost: shape.lost + lost, of: shape.of + 1 })
    if (entry.judge === 'ear') listened++
    for (const fault of entry.faults.split(' ')) if (fault !== '') faults.set(fault, (faults.get(fault) ?? 0) + 1)
  }
  const share = ({ lost, of }: { readonly lost: number; readonly of: number }) => lost / of
  const found: readonly (readonly [number, Weak])[] = [
    ...[...roots].map(([root, sum]) => [share(sum), { kind: 'root', root, ...sum }] as const),
    ...[...shapes].map(
      ([key, { entry, lost, of }]) =>
        [share({ lost, of }), { kind: 'shape', key, suffix: entry.suffix, string: entry.string, lost, of }] as const,
    ),
    ...[...faults].map(([text, times]) => {
      const [string = '', fault = ''] = text.split(':')
      return [
        times / Math.max(1, listened),
        { kind: 'string', string: Number(string), fault, times, of: listened },
      ] as const
    }),
  ]
  const enough = (weak: Weak) => (weak.kind === 'string' ? weak.times : weak.lost) >= TOLD_FROM
  return found
    .filter(([share, weak]) => enough(weak) && share > 0.1)
    .toSorted(([a], [b]) => b - a)
    .slice(0, MOST_WEAK)
    .map(([, weak]) => weak)
}
