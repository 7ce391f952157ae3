import type { BookAsk } from '../../contracts/shape.ts'

/** Which part of the Book is looked at. */
export const PARTS = ['shapes', 'sets', 'sheets', 'deleted', 'unreadable', 'files'] as const
export type Part = (typeof PARTS)[number]

/** What is looked at: one value, one address. */
export interface BookPlan {
  readonly part: Part
  readonly find: string
  readonly by: BookAsk['by']
  readonly tag: string | undefined
  /** A tune's number, or `none`. */
  readonly tune: string | undefined
  /** The instrument whose tuning is asked for, by its number. */
  readonly instrument: number | undefined
  /** The shape that is open beside the list. */
  readonly open: number | undefined
}
