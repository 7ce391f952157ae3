/** What was done in Set-up, each thing with its way back: one line of undo for instruments, tunings, hand and habits. */
import { atom } from 'nanostores'
import { leaveDeed, type Undoing } from '../../../state/deeds.ts'
import { stamp, stampOf, viewStandsAt } from '../../../state/undoOrder.ts'

export interface DoneStep {
  readonly back: () => Promise<unknown>
  readonly again: () => Promise<unknown>
  /** What the window's other pages can do to take it back, once this one is left. */
  readonly later?: { readonly words: string; readonly undo: Undoing }
}

export interface StepsPast {
  readonly canUndo: boolean
  readonly canRedo: boolean
}

const MOST_STEPS = 100

/** Steps go one after another, with what is being kept. */
export function createSteps() {
  const $past = atom<StepsPast>({ canUndo: false, canRedo: false })
  let done: readonly DoneStep[] = []
  let undone: readonly DoneStep[] = []
  let queue: Promise<unknown> = Promise.resolve()
  const show = () => {
    viewStandsAt(stampOf(done.at(-1)))
    $past.set({ canUndo: done.length > 0, canRedo: undone.length > 0 })
  }
  const inTurn = (act: () => Promise<unknown>) => {
    queue = queue.then(act, act)
    return queue
  }
  return {
    $past,
    /** Something was done; what had been undone can no longer be redone. */
    did(step: DoneStep) {
      stamp(step)
      done = [...done, step].slice(-MOST_STEPS)
      undone = []
      show()
    },
    // In turn with what is being kept: a hand that is quicker than the server takes back what it did last, not what came before.
    undo: () =>
      inTurn(async () => {
        const step = done.at(-1)
        if (!step) return
        done = done.slice(0, -1)
        undone = [...undone, step]
        show()
        await step.back()
      }),
    redo: () =>
      inTurn(async () => {
        const step = undone.at(-1)
        if (!step) return
        undone = undone.slice(0, -1)
        done = [...done, step]
        stamp(step)
        show()
        await step.again()
      }),
    /** The page is left: what others can take back goes over to them. */
    leave() {
      for (const step of done) if (step.later) leaveDeed(step.later.words, step.later.undo, stampOf(step))
      done = done.filter(({ later }) => later === undefined)
      show()
    },
    inTurn,
  }
}
export type Steps = ReturnType<typeof createSteps>
