/**
 * What is there by construction: read with a check, so that where it is not the program stops at the cause.
 * @throws {RangeError} There is nothing at `index`. That is our bug.
 */
export function requireAt<Value>(list: ArrayLike<Value>, index: number): NonNullable<Value> {
  const value = list[index]
  if (value === undefined || value === null) throw new RangeError(`nothing at ${index} of ${list.length}`)
  return value
}
