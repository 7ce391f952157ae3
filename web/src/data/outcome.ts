/** What became of a change: the same four answers for everything that is kept. */
export type Outcome<Value> =
  | { readonly kind: 'done'; readonly value: Value }
  | { readonly kind: 'missing' }
  /** There is another of this name. */
  | { readonly kind: 'name-taken' }
  /** Changed on another page meanwhile; `now` is what it is. */
  | { readonly kind: 'stale'; readonly now: Value }

/** What is there is not what was seen: asked before a deletion that tells its version. */
export const staleSince = <Value extends { readonly version: number }>(
  now: Value | undefined,
  seen: number | undefined,
): Outcome<Value | undefined> | undefined =>
  now !== undefined && seen !== undefined && now.version !== seen ? { kind: 'stale', now } : undefined

/** Of a statement that touches one row, or none when there is no such row. */
export const outcomeOf = ({ changes }: { readonly changes: number }): Outcome<undefined> =>
  changes === 1 ? { kind: 'done', value: undefined } : { kind: 'missing' }
