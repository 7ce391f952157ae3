import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { capsOf, type KeyLine, keyLines } from './keyTable.ts'

beforeEach(() => {
  vi.stubGlobal(
    'KeyboardEvent',
    class {
      readonly key: string
      readonly shiftKey: boolean
      constructor(_: string, { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean }) {
        this.key = key
        this.shiftKey = shiftKey
      }
    },
  )
})
afterEach(() => vi.unstubAllGlobals())

test('each cap of the list does what its key does; keys held together are one cap', () => {
  const done: string[] = []
  const line = (keys: readonly string[], acts: KeyLine['acts']): KeyLine => ({
    keys,
    does: '',
    ...(acts ? { acts } : {}),
  })
  const note = (word: string) => (event: KeyboardEvent) => done.push(`${word}${event.shiftKey ? ' with Shift' : ''}`)
  const lines = [
    line(['←', '→'], { ArrowLeft: note('down'), ArrowRight: note('up') }),
    line(['Space'], { ' ': note('play') }),
    line(['T'], { t: note('tray') }),
    line(['Shift', 'T'], { T: note('lane') }),
    line(['−', '+'], { '-': note('less'), '+': note('more') }),
    line(['Del'], { Delete: note('delete') }),
    line(['Ctrl', 'P'], undefined),
  ]
  const caps = lines.flatMap((one) => capsOf(one))
  expect(caps.map(({ cap, act }) => (act ? cap : `(${cap})`))).toEqual([
    '←',
    '→',
    'Space',
    'T',
    'Shift T',
    '−',
    '+',
    'Del',
    '(Ctrl)',
    '(P)',
  ])
  for (const { act } of caps) act?.()
  expect(done).toEqual(['down', 'up', 'play', 'tray', 'lane with Shift', 'less', 'more', 'delete'])
})

test('every view lists undo, the eggs and the list itself', () => {
  const told = keyLines({}, [], () => undefined).map(({ keys }) => keys.join(' '))
  expect(told).toEqual(['B', 'L', 'Ctrl Z', '?'])
})
