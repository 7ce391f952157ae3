import { atom } from 'nanostores'
import { afterEach, expect, test } from 'vitest'
import { createAsked } from './asked.ts'
import { joinUndo, redoLast, stamp, stampOf, undoLast, viewStandsAt } from './undoOrder.ts'

let leave = (): void => undefined
afterEach(() => {
  viewStandsAt(0)
  leave()
})

/** A tray of names beside a view, with what is taken back written down. */
function beside() {
  const undone: string[] = []
  const steps: { readonly name: string; readonly at: number }[] = []
  const back: typeof steps = []
  const $past = atom({ canUndo: false, canRedo: false })
  const show = () => $past.set({ canUndo: steps.length > 0, canRedo: back.length > 0 })
  leave = joinUndo({
    $past,
    at: () => steps.at(-1)?.at ?? 0,
    undo() {
      const step = steps.pop()
      if (step) back.push(step)
      undone.push(`tray ${step?.name}`)
      show()
    },
    redo() {
      const step = back.pop()
      if (step) steps.push(step)
      undone.push(`tray again ${step?.name}`)
      show()
    },
  })
  const add = (name: string) => {
    steps.push({ name, at: stamp() })
    show()
  }
  return { add, undone }
}

test('what was done last is taken back first, in the view or in the tray, and done again in the same place', () => {
  const { add, undone } = beside()
  const view = createAsked({ chord: 'C' })
  const undo = () => undoLast(() => view.undo() && undone.push(`view to ${view.current().chord}`))
  const redo = () => redoLast(() => view.redo() && undone.push(`view on to ${view.current().chord}`))
  view.step({ chord: 'Dm7' })
  add('Dm7')
  view.step({ chord: 'G7' })
  add('G7')
  add('G13')
  for (let press = 0; press < 5; press++) undo()
  expect(undone).toEqual(['tray G13', 'tray G7', 'view to Dm7', 'tray Dm7', 'view to C'])
  undone.length = 0
  for (let press = 0; press < 5; press++) redo()
  expect(undone).toEqual(['view on to Dm7', 'tray again Dm7', 'view on to G7', 'tray again G7', 'tray again G13'])
})

test('a view that has nothing to undo leaves it to the tray', () => {
  const { add, undone } = beside()
  viewStandsAt(Number.POSITIVE_INFINITY)
  add('Fm9')
  undoLast(undefined)
  expect(undone).toEqual(['tray Fm9'])
  redoLast(undefined)
  expect(undone).toEqual(['tray Fm9', 'tray again Fm9'])
})

test('steps of one millisecond keep their order', () => {
  const [a, b] = [{}, {}]
  expect(stamp(a)).toBeLessThan(stamp(b))
  expect(stampOf(a)).toBeLessThan(stampOf(b))
  expect(stampOf({})).toBe(0)
})
