/**
 * What was done last is taken back first, whether in the view or in the tray at its foot. The view says when its newest step
 * that can be undone was taken; the tray knows of its own.
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

const $none = atom({ canUndo: false, canRedo: false })
let other: OtherPast = { $past: $none, at: () => 0, undo: () => undefined, redo: () => undefined }
/** What was taken back, the last at the end: it is done again the other way round. */
let undone: ('view' | 'other')[] = []

export const joinUndo = (past: OtherPast): void => {
  other = past
}
export const otherPast = (): OtherPast['$past'] => other.$past

/** Takes back what was done last. */
export function undoLast(viewUndo: (() => unknown) | undefined): unknown {
  const isOther = other.$past.get().canUndo && (viewUndo === undefined || other.at() > viewsNewest)
  undone.push(isOther ? 'other' : 'view')
  return isOther ? other.undo() : viewUndo?.()
}

/** Does again what was taken back last. A view says with `false` that it has nothing to do again. */
export function redoLast(viewRedo: (() => unknown) | undefined): unknown {
  const canOther = other.$past.get().canRedo
  if (undone.pop() === 'other' && canOther) return other.redo()
  const redone = viewRedo === undefined ? false : viewRedo()
  if (redone !== false || !canOther) return redone
  undone = []
  return other.redo()
}
