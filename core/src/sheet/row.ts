import type { Mark } from './marks.ts'

/** What is never parted by a page's end: marks in mm from the row's own corner, within the margins. */
export interface Row {
  readonly block: string
  readonly height: number
  readonly marks: readonly Mark[]
  readonly staysWithNext?: boolean | undefined
}
