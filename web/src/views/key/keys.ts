/** What every key does in the Key view. */
import { DEPTH_SCHOOLS, DEPTHS, writeNumber } from '@nestling/core/key'
import type { KeyLine, SharedActs } from '../../shell/keyTable.ts'
import { keep, laneToTray, practiseHref, sheetHref, toTray } from './collect.ts'
import type { KeyPlan } from './types.ts'
import { KEY_INPUT_ID, type KeyState } from './useKey.ts'

export const sharedActs = (state: KeyState): SharedActs => ({
  fieldId: KEY_INPUT_ID,
  typeWords: 'type another key',
  play: (event) => (event.shiftKey ? state.playLane() : state.hearChosen()),
  playWords: 'play the step; with Shift, the lane',
  undo: state.undo,
  redo: state.redo,
  toTray: () => toTray(state),
  keep: () => keep(state),
  toSheet: () => sheetHref(state),
  practise: () => (state.shape ? practiseHref(state) : undefined),
})

/** The plan with a third more or less. */
const deeper = ({ depth }: KeyPlan, by: number): Partial<KeyPlan> => {
  const next = DEPTHS[DEPTHS.indexOf(depth) + by]
  return next ? { depth: next } : {}
}

export const nextSchool = ({ school }: KeyPlan): Partial<KeyPlan> => {
  const next = DEPTH_SCHOOLS[(DEPTH_SCHOOLS.indexOf(school) + 1) % DEPTH_SCHOOLS.length]
  return next ? { school: next } : {}
}

/** A step's chord at the end of what is written; with Shift its dominant. */
export function write({ answer, plan, change }: KeyState, step: number): void {
  const chord = answer.steps[step - 1]?.chord
  if (chord) change({ written: [...plan.written, chord] })
}

export const numbersOf = ({ key, depth, written }: KeyPlan, school: KeyPlan['numbers']): readonly string[] =>
  written.map((chord) => writeNumber(chord, key, depth, school).replace('|', ''))

export function keyKeys(state: KeyState): readonly KeyLine[] {
  const { plan, change, byFourths } = state
  const go = (by: number) => {
    const step = plan.step + by
    if (step >= 1 && step <= 7) change({ step })
  }
  const other = () => plan.asks.length > 1 && change({ lane: 1 - plan.lane })
  const digits = Object.fromEntries(
    [1, 2, 3, 4, 5, 6, 7].map((step) => [String(step), () => write(state, step)] as const),
  )
  return [
    {
      keys: ['↑', '↓'],
      does: 'the next step up the lane, or down',
      acts: { ArrowUp: () => go(1), ArrowDown: () => go(-1) },
    },
    {
      keys: ['←', '→'],
      does: 'a fourth down or up; with Shift, a fifth',
      acts: {
        ArrowLeft: (event) => byFourths(event.shiftKey ? 1 : -1),
        ArrowRight: (event) => byFourths(event.shiftKey ? -1 : 1),
      },
    },
    { keys: ['O'], does: 'the other lane', acts: { o: other } },
    {
      keys: ['−', '+'],
      does: 'a third less, a third more',
      acts: { '-': () => change(deeper(plan, -1)), '+': () => change(deeper(plan, 1)) },
    },
    { keys: ['D'], does: 'honest, or kept plain', acts: { d: () => change(nextSchool(plan)) } },
    { keys: ['1', '7'], does: 'write a step in numbers', acts: digits },
    {
      keys: ['Backspace'],
      does: 'take the last number back',
      acts: { Backspace: () => plan.written.length > 0 && change({ written: plan.written.slice(0, -1) }) },
    },
    { keys: ['P'], does: 'play what is written', acts: { p: state.playWritten } },
    { keys: ['Shift', 'T'], does: 'add the whole lane to the tray', acts: { T: () => laneToTray(state) } },
  ]
}
