/** What every key does in the Path view. */
import { readChart, writeChart, writtenPlaces } from '@nestling/core/chart'
import type { KeyLine, SharedActs } from '../../shell/keyTable.ts'
import { FIRST_CHART } from './address.ts'
import { keep, pathToTray, practiseHref, sheetHref, toTray } from './collect.ts'
import { joinNext, keepTop, moveBy, putBefore, split, takeOut } from './edits.ts'
import { lookNext, scaleBy } from './look.ts'
import type { PathPlan } from './types.ts'
import { CHART_ID, type PathState } from './usePath.ts'
import { withoutWishLines } from './wishLines.ts'

export const sharedActs = (state: PathState): SharedActs => ({
  fieldId: CHART_ID,
  typeWords: 'type the tune',
  toField: () => toBarInHand(state),
  play: state.playAll,
  playWords: 'play the tune',
  undo: state.undo,
  redo: state.redo,
  toTray: () => toTray(state),
  keep: () => keep(state),
  toSheet: () => sheetHref(state),
  practise: () => (state.shape ? practiseHref(state) : undefined),
})

/** What stands there before anything was asked for gives way to what is typed. */
const isOpening = ({ tune, chart }: PathPlan): boolean =>
  tune === undefined && writeChart(chart) === writeChart(readChart(FIRST_CHART).chart)

/** Into the tune's text, at the chord in hand: what is typed goes on from there, and no tune is typed over another. */
function toBarInHand({ plan, answer, typed, player }: PathState): void {
  const field = document.getElementById(CHART_ID)
  if (!(field instanceof HTMLTextAreaElement)) return
  field.focus()
  if (isOpening(plan)) {
    field.select()
    return
  }
  const { chart, chosen } = answer.plan
  const written = writtenPlaces(chart)[chosen]
  const { places } = readChart(withoutWishLines(typed.line, player).chart, player.naming)
  const at = written && places[written.bar]?.[written.slot]?.to
  const caret = at ?? field.value.length
  field.setSelectionRange(caret, caret)
}

/** The next shape in the list of others, up or down. */
function otherShape({ around, chosenShape, takeShape }: PathState, by: number): void {
  const others = around?.others ?? []
  const at = others.findIndex(({ shape }) => shape.frets.join() === chosenShape?.frets.join())
  const next = others[(at < 0 ? 0 : at) + by]
  if (next) takeShape(next.shape.frets)
}

export function pathKeys(state: PathState): readonly KeyLine[] {
  const { plan, choose, hold, hearStep, around } = state
  return [
    {
      keys: ['←', '→'],
      does: 'the chord before, the next one; with Shift, change places with it',
      acts: {
        ArrowLeft: (event) => (event.shiftKey ? moveBy(state, -1) : choose(plan.chosen - 1)),
        ArrowRight: (event) => (event.shiftKey ? moveBy(state, 1) : choose(plan.chosen + 1)),
      },
    },
    {
      keys: ['↑', '↓'],
      does: 'another shape here, and hold it',
      acts: { ArrowUp: () => otherShape(state, -1), ArrowDown: () => otherShape(state, 1) },
    },
    { keys: ['H'], does: 'hold this shape, or let it go', acts: { h: hold } },
    { keys: ['M'], does: 'keep this top tone as melody, or let it go', acts: { m: () => keepTop(state) } },
    { keys: ['A'], does: 'play the step', acts: { a: hearStep } },
    {
      keys: ['Insert'],
      does: 'put the first chord in between before this one',
      acts: { Insert: () => around?.between[0] && putBefore(state, around.between[0].chord) },
    },
    {
      keys: ['S', 'J'],
      does: 'split this chord in two; join the next one’s time to it',
      acts: { s: () => split(state), j: () => joinNext(state) },
    },
    { keys: ['Delete'], does: 'remove this chord', acts: { Delete: () => takeOut(state) } },
    { keys: ['V'], does: 'in time, in systems of eight bars, as a table', acts: { v: lookNext } },
    {
      keys: ['−', '+'],
      does: 'draw time narrower, wider (or Ctrl and the wheel)',
      acts: { '-': () => scaleBy(-1), '+': () => scaleBy(1) },
    },
    { keys: ['Shift', 'T'], does: 'add the whole path to the tray', acts: { T: () => pathToTray(state) } },
  ]
}
