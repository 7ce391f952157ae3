/** How the HTTP interface says no: one shape for every refusal. */
export interface Problem {
  /** One sentence for a person. */
  readonly error: string
  readonly field: string
  /** Index of the first wrong character in the field's text, 0 where there is none. */
  readonly at: number
  readonly expected: string
}
