/**
 * A value, or the reason why there is none. For failures that a person can cause (a symbol that isn't one, a
 * tuning that can't be); bugs throw instead.
 */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E }

export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value })
export const fail = <E>(error: E): Result<never, E> => ({ ok: false, error })

/**
 * What is wrong in a text, where, and what would be right.
 * `at` is the index of the first offending character; `text` is that piece of the input, shortened.
 */
export interface TextError {
  readonly code: string
  readonly at: number
  readonly text: string
  readonly expected: string
  /** One plain sentence that holds all of it, ready to be shown. */
  readonly message: string
}

/** Unwraps a result that cannot have failed; a failure here is our bug. */
export function must<T>(result: Result<T, TextError>): T {
  if (!result.ok) throw new Error(result.error.message)
  return result.value
}
