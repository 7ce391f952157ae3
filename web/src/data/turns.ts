/**
 * Who writes on a thread has the database for seconds; who would write meanwhile here, where requests are answered, would
 * hold up everybody by waiting for it inside SQLite. So one waits outside:
 *   a large change ─inTurn→ one after another      a small one ─afterOthers→ when none of those goes on
 */
let last: Promise<unknown> = Promise.resolve()

/** Does it when those before it are done, however they ended. */
export function inTurn<Value>(change: () => Promise<Value>): Promise<Value> {
  const mine = last.then(change)
  last = mine.catch(() => undefined)
  return mine
}

/** Done when no large change goes on. */
export async function afterOthers(): Promise<void> {
  let seen: unknown
  while (seen !== last) {
    seen = last
    await last
  }
}
