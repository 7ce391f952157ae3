/**
 * What a view asks, as one value: changed step by step, taken back, typed. Every view's question lives in one of these;
 * the address and the browser's Back are tied to it by `useQuestion`.
 */
import { atom, type ReadableAtom } from 'nanostores'
import { messageOf, type ToldError } from '../words/errors.ts'
import { changedFrom, type History, type Moment, NO_HISTORY, redone, undone } from './history.ts'
import { stamp, stampOf, viewStandsAt } from './undoOrder.ts'

/** What stands in the field in which the question is typed, and why it can't be read. */
export interface Typed {
  readonly line: string
  readonly problem: Problem | undefined
}

export interface Problem {
  readonly message: string
  readonly at: number
  /** Lines that could be meant. */
  readonly choices?: readonly string[]
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
  /**
   * Every keystroke of a line, from its first to `finish`: each is read over what stood before the line, so that only the
   * line as it ends up counts, and all of it is one step. A text that can't be read changes nothing and says what is wrong;
   * an empty one, and one that is about something else than the question, takes the line back. True when the question changed.
   */
  readonly type: (line: string, read: (line: string, before: Question) => TypedRead<Question>) => boolean
  /** The line ends, by Enter or by leaving it. What the beginning of an unreadable line had done is taken back; true then. */
  readonly finish: () => boolean
  readonly isTyping: () => boolean
  /** Shows a line that was not typed here: one of an address, with what is wrong with it. */
  readonly showLine: (typed: Typed) => void
  /** False at the beginning. */
  readonly undo: () => boolean
  /** False when nothing is left to redo. */
  readonly redo: () => boolean
  /** Another question altogether, such as the browser's Back brings; what can be undone stays. */
  readonly open: (question: Question, typed?: Typed) => void
  /** What can be undone and redone, to be kept while another page is looked at; and back again. */
  readonly past: () => History<Question>
  /** @param at When the newest of them was taken. */
  readonly restore: (history: History<Question>, at?: number) => void
}

export type TypedRead<Question> =
  | { readonly ok: true; readonly value: Partial<Question> | undefined }
  | { readonly ok: false; readonly error: ToldError & { readonly at: number } }

export const problemOf = (error: ToldError & { readonly at: number }): Problem => ({
  message: messageOf(error),
  at: error.at,
  ...(error.code === 'frets_missing' && 'choices' in error ? { choices: error.choices } : {}),
})

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
  /** What stood before the line that is being typed. */
  let line: { readonly before: Question; readonly history: History<Question>; readonly isWrong: boolean } | undefined

  const remember = (next: History<Question>) => {
    const top = next.past.at(-1)
    // A step undone leaves one that was taken before; anything else is taken now.
    if (top !== undefined && next.future.length <= history.future.length) stamp(top)
    history = next
    const { past, future } = history
    viewStandsAt(stampOf(top))
    $past.set({ before: past.at(-1), canUndo: past.length > 0, canRedo: future.length > 0 })
  }
  const showQuestion = () => $typed.set({ line: lineOf($now.get()), problem: undefined })
  const step: Asked<Question>['step'] = (changes, { keepsLine = false } = {}) => {
    const before = $now.get()
    line = undefined
    remember(changedFrom(history, before))
    $now.set({ ...before, ...changes })
    if (!keepsLine) showQuestion()
  }
  const go = (to: (moment: Moment<Question>) => Moment<Question> | undefined): boolean => {
    line = undefined
    const there = to({ now: $now.get(), history })
    if (!there) return false
    remember(there.history)
    $now.set(there.now)
    showQuestion()
    return true
  }

  const takeBack = (before: Question, past: History<Question>): boolean => {
    if ($now.get() === before) return false
    remember(past)
    $now.set(before)
    return true
  }

  return {
    $now,
    $typed,
    $past,
    current: () => $now.get(),
    step,
    settle: (changes) => $now.set({ ...$now.get(), ...changes }),
    type(text, readLine) {
      const { before, history: past } = line ?? { before: $now.get(), history }
      const isEmpty = text.trim() === ''
      const read = readLine(text, before)
      const problem = read.ok || isEmpty ? undefined : problemOf(read.error)
      line = { before, history: past, isWrong: problem !== undefined }
      $typed.set({ line: text, problem })
      if (isEmpty) return takeBack(before, past)
      if (!read.ok) return false
      if (read.value === undefined) return takeBack(before, past)
      remember(changedFrom(past, before))
      $now.set({ ...before, ...read.value })
      return true
    },
    finish() {
      const ended = line
      line = undefined
      return ended?.isWrong === true && takeBack(ended.before, ended.history)
    },
    isTyping: () => line !== undefined,
    past: () => history,
    restore(past, at = 0) {
      remember(past)
      viewStandsAt(past.past.length > 0 ? at : 0)
    },
    showLine: (typed) => $typed.set(typed),
    undo: () => go(undone),
    redo: () => go(redone),
    open(question, typed) {
      line = undefined
      $now.set(question)
      if (typed) $typed.set(typed)
      else showQuestion()
    },
  }
}
