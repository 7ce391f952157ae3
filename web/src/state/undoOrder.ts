/**
 * What was done last is taken back first, whether in the view, in the tray at its foot or to what is kept. The view says when
 * its newest step that can be undone was taken; the others know of their own.
 */
import { atom, type ReadableAtom } from 'nanostores'

/** Of a step, in ms: set once, however often it is undone and redone. */
const stamps = new WeakMap<object, number>()
/** Two steps of one millisecond keep their order. */
let last = 0
export function stamp(step?: object): number {
  last = Math.max(Date.now(), last + 0.001)
  if (step) stamps.set(step, last)
  return last
}
export const stampOf = (step: object | undefined): number => (step && stamps.get(step)) ?? 0

let viewsNewest = 0
/** @param at When the view's newest step was taken that can be undone; 0 when there is none. */
export const viewStandsAt = (at: number): void => {
  viewsNewest = at
}
export const viewStands = (): number => viewsNewest

/** Something beside the view that keeps its own past. */
export interface OtherPast {
  readonly $past: ReadableAtom<{ readonly canUndo: boolean; readonly canRedo: boolean }>
  /** When its newest step was taken that can be undone; 0 when there is none. */
  readonly at: () => number
  readonly undo: () => unknown
  readonly redo: () => unknown
}

const others: OtherPast[] = []
const $others = atom({ canUndo: false, canRedo: false })
const look = (): void => {
  const all = others.map(({ $past }) => $past.get())
  $others.set({ canUndo: all.some(({ canUndo }) => canUndo), canRedo: all.some(({ canRedo }) => canRedo) })
}
/** What was taken back, the last at the end: it is done again the other way round. */
let undone: ('view' | OtherPast)[] = []

/** @returns How it leaves again. */
export function joinUndo(past: OtherPast): () => void {
  others.push(past)
  const off = past.$past.listen(look)
  look()
  return () => {
    off()
    others.splice(others.indexOf(past), 1)
    look()
  }
}
/** What can be undone and redone beside the view. */
export const otherPast = (): OtherPast['$past'] => $others

/** Takes back what was done last. */
export function undoLast(viewUndo: (() => unknown) | undefined): unknown {
  const [newest] = others.filter(({ $past }) => $past.get().canUndo).toSorted((a, b) => b.at() - a.at())
  const other = newest && (viewUndo === undefined || newest.at() > viewsNewest) ? newest : undefined
  undone.push(other ?? 'view')
  return other ? other.undo() : viewUndo?.()
}

/** Does again what was taken back last. A view says with `false` that it has nothing to do again. */
export function redoLast(viewRedo: (() => unknown) | undefined): unknown {
  const canRedo = (past: OtherPast) => past.$past.get().canRedo
  const last = undone.pop()
  if (last !== undefined && last !== 'view' && canRedo(last)) return last.redo()
  const redone = viewRedo === undefined ? false : viewRedo()
  const other = others.find(canRedo)
  if (redone !== false || !other) return redone
  undone = []
  return other.redo()
}
