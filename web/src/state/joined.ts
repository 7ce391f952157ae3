/**
 * One thing changed here and elsewhere since both saw it: what only one of them changed is joined, what both changed is chosen.
 *   before, mine, theirs ─joined→ the whole, and the fields that both made something else of
 */
import { canonical } from '../contracts/canonical.ts'

export interface Joined<Fields> {
  /** Theirs, with what was changed here over it. */
  readonly value: Fields
  /** Changed by both, each otherwise. */
  readonly both: readonly (keyof Fields & string)[]
}

const isSame = (a: unknown, b: unknown): boolean => canonical(a) === canonical(b)

export function joined<Fields extends object>(before: Fields, mine: Fields, theirs: Fields): Joined<Fields> {
  const names = Object.keys(mine) as (keyof Fields & string)[]
  const changed = names.filter((name) => !isSame(mine[name], before[name]))
  const over = Object.fromEntries(changed.map((name) => [name, mine[name]])) as Partial<Fields>
  return {
    value: { ...theirs, ...over },
    both: changed.filter((name) => !isSame(theirs[name], before[name]) && !isSame(theirs[name], mine[name])),
  }
}
