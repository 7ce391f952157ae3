import { readSymbol, writeSymbol } from '@nestling/core/chord'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { createAsked } from './asked.ts'

const CMAJ7 = { root: 'C', formula: ['R', '3', '5', '7'] } as const
const lineOf = ({ chord }: { chord: Parameters<typeof writeSymbol>[0] }) => writeSymbol(chord, { ascii: true })
const fresh = () => createAsked({ chord: CMAJ7 as Parameters<typeof writeSymbol>[0], at: 1 }, { lineOf })
const read = (line: string) => {
  const chord = readSymbol(line)
  return chord.ok ? ({ ok: true, value: { chord: chord.value } } as const) : chord
}

test('what is typed stays as it was typed; what is changed otherwise is shown as it would be typed', () => {
  const asked = fresh()
  asked.type('E♭Δ7', read)
  expect(asked.$typed.get().line).toBe('E♭Δ7')
  asked.step({ at: 5 })
  expect(asked.$typed.get().line).toBe('Ebmaj7')
})

test('a line that can’t be read is told with its place, and is no step', () => {
  const asked = fresh()
  expect(asked.type('C7x9', read)).toBe(false)
  expect(asked.$typed.get()).toEqual({
    line: 'C7x9',
    problem: { at: 2, message: 'x9 is not a tension; expected b9, 9 or #9' },
  })
  expect(asked.$past.get().canUndo).toBe(false)
  asked.type('', read)
  expect(asked.$typed.get().problem).toBeUndefined()
})

test('undone as often as it was changed it is as it began, and redone it is as it was', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 20 }), (places) => {
      const asked = fresh()
      for (const at of places) asked.step({ at })
      const last = asked.current()
      for (const _ of places) expect(asked.undo()).toBe(true)
      expect(asked.undo()).toBe(false)
      expect(asked.current().at).toBe(1)
      for (const _ of places) expect(asked.redo()).toBe(true)
      expect([asked.redo(), asked.current()]).toEqual([false, last])
    }),
  )
})

test('what settles by itself is no step, and Back keeps what can be undone', () => {
  const asked = fresh()
  asked.step({ at: 2 })
  asked.settle({ at: 3 })
  asked.open({ chord: CMAJ7, at: 9 })
  expect(asked.$past.get()).toMatchObject({ canUndo: true, before: { at: 1 } })
})

test('a line is one step however many keys it took, and its end decides what it did', () => {
  const asked = fresh()
  for (const text of ['C', 'C7', 'C7b', 'C7b9']) asked.type(text, read)
  expect(asked.isTyping()).toBe(true)
  expect(writeSymbol(asked.current().chord, { ascii: true })).toBe('C7b9')
  expect(asked.finish()).toBe(false)
  asked.undo()
  expect([writeSymbol(asked.current().chord), asked.$past.get().canUndo]).toEqual(['Cmaj7', false])
  for (const text of ['G', 'G7', 'G7x']) asked.type(text, read)
  expect(asked.finish()).toBe(true)
  expect([writeSymbol(asked.current().chord), asked.$past.get().canUndo]).toEqual(['Cmaj7', false])
  asked.type('G7', read)
  asked.type('', read)
  expect(writeSymbol(asked.current().chord)).toBe('Cmaj7')
})

test('what can be undone is kept and put back', () => {
  const asked = fresh()
  asked.step({ at: 2 })
  asked.step({ at: 3 })
  const kept = JSON.parse(JSON.stringify({ now: asked.current(), history: asked.past() }))
  const other = createAsked(kept.now, { lineOf })
  other.restore(kept.history)
  expect([other.undo(), other.undo(), other.undo()]).toEqual([true, true, false])
  expect(other.current()).toMatchObject({ at: 1 })
})
