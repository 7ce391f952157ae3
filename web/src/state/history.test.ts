import fc from 'fast-check'
import { expect, test } from 'vitest'
import { changedFrom, MOST_UNDO, type Moment, NO_HISTORY, redone, undone } from './history.ts'

const first: Moment<number> = { now: 0, history: NO_HISTORY }
const changed = ({ now, history }: Moment<number>, next: number): Moment<number> => ({
  now: next,
  history: changedFrom(history, now),
})

/** The slow twin: every state in one list, and a finger on the current one. */
function byList(moves: readonly ('undo' | 'redo' | number)[]): readonly number[] {
  let states = [0]
  let at = 0
  return moves.map((move) => {
    if (move === 'undo') at = Math.max(0, at - 1)
    else if (move === 'redo') at = Math.min(states.length - 1, at + 1)
    else {
      states = [...states.slice(0, at + 1), move]
      at += 1
    }
    return states[at] as number
  })
}

test('any row of changes, undos and redos leads where a list of all states leads', () => {
  const move = fc.oneof(fc.constant('undo' as const), fc.constant('redo' as const), fc.integer())
  fc.assert(
    fc.property(fc.array(move, { maxLength: 60 }), (moves) => {
      let moment = first
      const seen = moves.map((one) => {
        moment =
          one === 'undo'
            ? (undone(moment) ?? moment)
            : one === 'redo'
              ? (redone(moment) ?? moment)
              : changed(moment, one)
        return moment.now
      })
      expect(seen).toEqual(byList(moves))
    }),
  )
})

test('the oldest states are forgotten', () => {
  let moment = first
  for (let next = 1; next <= MOST_UNDO + 5; next++) moment = changed(moment, next)
  let steps = 0
  for (let back = undone(moment); back; back = undone(back)) {
    moment = back
    steps++
  }
  expect([steps, moment.now]).toEqual([MOST_UNDO, 5])
})
