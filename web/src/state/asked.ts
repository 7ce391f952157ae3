/**
 * What a view asks, as one value: changed step by step, taken back, typed. Every view's question lives in one of these;
 * the address and the browser's Back are tied to it by `useQuestion`.
 */
import { atom, type ReadableAtom } from 'nanostores'
import { messageOf, type ToldError } from '../words/errors.ts'
import { changedFrom, type History, type Moment, NO_HISTORY, redone, undone } from './history.ts'

/** What stands in the field in which the question is typed, and why it can't be read. */
export interface Typed {
  readonly line: string
  readonly problem: { readonly message: string; readonly at: number } | undefined
}

export interface PastSteps<Question> {
  /** The step before, for comparing by ear and eye. */
  readonly before: Question | undefined
  readonly canUndo: boolean
  readonly canRedo: boolean
}

export interface Asked<Question> {
  readonly $now: ReadableAtom<Question>
  readonly $typed: ReadableAtom<Typed>
  readonly $past: ReadableAtom<PastSteps<Question>>
  readonly current: () => Question
  /** One step that can be undone. The field follows it, unless `keepsLine`: the step came from there. */
  readonly step: (changes: Partial<Question>, options?: { readonly keepsLine?: boolean }) => void
  /** The same step goes on: what followed from it by itself is no step of its own. */
  readonly settle: (changes: Partial<Question>) => void
  /** Every keystroke. A text that can't be read changes nothing and says what is wrong. */
  readonly type: (line: string, read: (line: string) => TypedRead<Question>) => boolean
  /** Shows a line that was not typed here: one of an address, with what is wrong with it. */
  readonly showLine: (typed: Typed) => void
  /** False at the beginning. */
  readonly undo: () => boolean
  /** False when nothing is left to redo. */
  readonly redo: () => boolean
  /** Another question altogether, such as the browser's Back brings; what can be undone stays. */
  readonly open: (question: Question, typed?: Typed) => void
}

export type TypedRead<Question> =
  | { readonly ok: true; readonly value: Partial<Question> }
  | { readonly ok: false; readonly error: ToldError & { readonly at: number } }

export interface AskedOptions<Question> {
  /** What the field shows of a question that was not typed; empty by default. */
  readonly lineOf?: (question: Question) => string
}

export function createAsked<Question extends object>(
  first: Question,
  { lineOf = () => '' }: AskedOptions<Question> = {},
): Asked<Question> {
  const $now = atom<Question>(first)
  const $typed = atom<Typed>({ line: lineOf(first), problem: undefined })
  const $past = atom<PastSteps<Question>>({ before: undefined, canUndo: false, canRedo: false })
  let history: History<Question> = NO_HISTORY

  const remember = (next: History<Question>) => {
    history = next
    const { past, future } = history
    $past.set({ before: past.at(-1), canUndo: past.length > 0, canRedo: future.length > 0 })
  }
  const showQuestion = () => $typed.set({ line: lineOf($now.get()), problem: undefined })
  const step: Asked<Question>['step'] = (changes, { keepsLine = false } = {}) => {
    const before = $now.get()
    remember(changedFrom(history, before))
    $now.set({ ...before, ...changes })
    if (!keepsLine) showQuestion()
  }
  const go = (to: (moment: Moment<Question>) => Moment<Question> | undefined): boolean => {
    const there = to({ now: $now.get(), history })
    if (!there) return false
    remember(there.history)
    $now.set(there.now)
    showQuestion()
    return true
  }

  return {
    $now,
    $typed,
    $past,
    current: () => $now.get(),
    step,
    settle: (changes) => $now.set({ ...$now.get(), ...changes }),
    type(line, readLine) {
      const read = readLine(line)
      const problem = read.ok || line.trim() === '' ? undefined : { message: messageOf(read.error), at: read.error.at }
      $typed.set({ line, problem })
      if (read.ok) step(read.value, { keepsLine: true })
      return read.ok
    },
    showLine: (typed) => $typed.set(typed),
    undo: () => go(undone),
    redo: () => go(redone),
    open(question, typed) {
      $now.set(question)
      if (typed) $typed.set(typed)
      else showQuestion()
    },
  }
}
