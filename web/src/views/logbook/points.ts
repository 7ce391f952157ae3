/** Points of the charts: a day each, or as many days together as keeps them few enough to be drawn at once. */
import { type LogDay, middleOf, type TempoDay } from '@nestling/core/practice'

export interface Point {
  /** The first of its days, and the last. */
  readonly day: string
  readonly last: string
  readonly minutes: number | null
  /** A stretch of rest stands on the ground. */
  readonly rest: number | null
  readonly middle: number | null
  readonly onRoot: number | null
}

export const MOST_POINTS = 120

/** How many days one point stands for. */
export const daysAPoint = (days: number): number => Math.max(1, Math.ceil(days / MOST_POINTS))

export function pointsOf(days: readonly LogDay[], tempo: readonly TempoDay[]): Point[] {
  const each = daysAPoint(days.length)
  const byDay = new Map(tempo.map((one) => [one.day, one]))
  return Array.from({ length: Math.ceil(days.length / each) }, (_, index): Point => {
    const some = days.slice(index * each, (index + 1) * each)
    const tempi = some.flatMap(({ day }) => byDay.get(day) ?? [])
    const middles = tempi.flatMap(({ middle }) => middle ?? [])
    const roots = tempi.flatMap(({ onRoot }) => onRoot ?? [])
    const seconds = some.reduce((sum, one) => sum + one.seconds, 0)
    return {
      day: some[0]?.day ?? '',
      last: some.at(-1)?.day ?? '',
      minutes: seconds > 0 ? seconds / 60 : null,
      rest: seconds > 0 ? null : 0,
      middle: middles.length > 0 ? middleOf(middles) : null,
      onRoot: roots.length > 0 ? Math.max(...roots) : null,
    }
  })
}

/** The first day of each week, or of as many weeks as have room. */
export function ticksOf(points: readonly Point[], each: number): readonly string[] {
  const apart = each > 1 ? Math.ceil(points.length / 8) : 7 * Math.max(1, Math.ceil(points.length / 56))
  return points.flatMap(({ day }, index) => (index % apart === 0 ? [day] : []))
}
