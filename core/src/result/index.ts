export { requireAt } from './required.ts'
/**
 * A value, or the reason why there is none. For failures that a person can cause (a symbol that isn't one, a
 * tuning that can't be); bugs throw instead.
 */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E }

export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value })
export const fail = <E>(error: E): Result<never, E> => ({ ok: false, error })

/**
 * What is wrong in a text and where, one case a code: `TextErrorOf<{ not_a_fret: object; fret_count: { count: number } }>`.
 * `at` is the index of the first offending character; `text` is that piece of the input, shortened. The sentence that a
 * person reads is made where it is shown.
 */
export type TextErrorOf<Details extends Readonly<Record<string, object>>> = {
  [Code in keyof Details & string]: {
    readonly code: Code
    readonly at: number
    readonly text: string
  } & Readonly<Details[Code]>
}[keyof Details & string]

/** The first characters of a text, whole ones: what an error carries of what was typed. */
export const piece = (text: string, most = 12): string => [...text].slice(0, most).join('')

/** Unwraps a result that cannot have failed; a failure here is our bug. */
export function must<T>(result: Result<T, { readonly code: string; readonly text?: string }>): T {
  if (!result.ok) throw new Error(`${result.error.code}: ${result.error.text ?? ''}`)
  return result.value
}

export { linesGoingOn } from './goesOn.ts'
export { remembered } from './remembered.ts'
