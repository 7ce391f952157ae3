import { type ShapesFound, shapesFor } from '@nestling/core/answer'
import { writeSymbol } from '@nestling/core/chord'
import type { Player, Question } from '@nestling/core/request'
import { readFrets, writeFrets } from '@nestling/core/voicing'
import { beforeEach, expect, test, vi } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'

type Search = { readonly question: Question; readonly answer: () => void; readonly fail: () => void }
const searches = vi.hoisted(() => ({ open: [] as Search[], byHand: false }))
vi.mock('../../workers/clients.ts', () => ({
  searchClient: () => ({
    shapesFor: (question: Question, player: Player, limit: number) =>
      new Promise<ShapesFound>((resolve, reject) => {
        const answer = () => resolve(shapesFor(question, player, limit))
        if (!searches.byHand) answer()
        searches.open.push({ question, answer, fail: () => reject(new Error('the worker died')) })
      }),
  }),
  countingClient: () => ({ playableCount: async () => 0 }),
}))
const {
  $workbench, asked, current, moveFret, openWorkbench, redo, setByHand, setString, shapeInHand, stepFrom, takeFingers, takeShape, typeLine, undo,
} = await import('./index.ts') // biome-ignore format: a list

const player = playerOf(DEFAULT_SETTINGS)
const frets = (text: string) => {
  const read = readFrets(text, 6)
  if (!read.ok) throw new Error(read.error.code)
  return read.value
}
const settled = () => vi.waitFor(() => expect(current().search.status).toBe('found'))
async function open(texts: Record<string, string>, shape?: string) {
  openWorkbench(stepFrom({ texts, shape, fingers: undefined }, player).step, player)
  await settled()
}
const symbol = () => writeSymbol(current().question.chord, { ascii: true })
const inHand = () => writeFrets(current().frets ?? [])

beforeEach(async () => {
  searches.byHand = false
  await open({ chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432' }, 'x6878x')
  searches.open.length = 0
})

test('an answer that was overtaken is thrown away, whichever comes first', async () => {
  searches.byHand = true
  typeLine('Gm7')
  typeLine('C7')
  const [overtaken, newest] = searches.open
  newest?.answer()
  await settled()
  const found = $workbench.get()
  overtaken?.answer()
  await new Promise((resolve) => setTimeout(resolve, 5))
  expect($workbench.get()).toBe(found)
  expect(symbol()).toBe('C7')
})

test('the shape that comes into hand is one that can be held, the first of the list or as good and nearer', async () => {
  await open({ chord: 'C', strings: '654321' }, '8-10-10-9-8-8')
  typeLine('A any 654321')
  await settled()
  expect(inHand()).toBe('577655')
  await open({ chord: 'Gm7', arrangement: 'drop-2', strings: '5432' }, 'x-10-12-10-11-x')
  typeLine('F#m7')
  await settled()
  expect(inHand()).toBe('x-9-11-9-10-x')
})

test('a worker that fails is told, and the next question is answered', async () => {
  searches.byHand = true
  typeLine('Gm7')
  searches.open[0]?.fail()
  await vi.waitFor(() => expect(current().search).toEqual({ status: 'failed', message: 'the worker died' }))
  searches.byHand = false
  typeLine('C7')
  await settled()
  expect(symbol()).toBe('C7')
})

test('a chosen fingering stays with its shape and goes when another comes into hand', async () => {
  const chosen = [null, 1, 3, 2, 4, null] as const
  takeFingers(chosen)
  expect(shapeInHand(current())?.fingers).toEqual(chosen)
  takeShape(frets('x-10-12-8-11-x'))
  expect(shapeInHand(current())?.fingers).toBeUndefined()
  undo()
  await settled()
  expect(shapeInHand(current())?.fingers).toEqual(chosen)
  typeLine('Gm7')
  await settled()
  expect(shapeInHand(current())?.fingers).toBeUndefined()
})

test('a fingering goes along when the hand slides', async () => {
  const chosen = [null, 1, 3, 2, 4, null] as const
  takeFingers(chosen)
  moveFret(1)
  await settled()
  expect([inHand(), current().fingers]).toEqual(['x7989x', chosen])
})

test('a shape made by hand gets its name, and keeps it when the search has answered', async () => {
  setString(3, 6)
  expect([symbol(), inHand()]).toEqual(['Eb7', 'x6868x'])
  await settled()
  expect([symbol(), inHand(), current().byHand]).toEqual(['Eb7', 'x6868x', true])
  setByHand(frets('x32010'))
  await settled()
  expect([symbol(), inHand()]).toEqual(['C', 'x32010'])
})

test('a text that can’t be read changes nothing; the next that can is one step', async () => {
  typeLine('C7x9')
  expect(asked.$typed.get()).toMatchObject({ line: 'C7x9', problem: { at: 2 } })
  expect([symbol(), inHand(), searches.open.length]).toEqual(['Ebmaj7', 'x6878x', 0])
  typeLine('C7')
  await settled()
  expect(asked.$typed.get()).toEqual({ line: 'C7', problem: undefined })
  undo()
  await settled()
  expect([symbol(), inHand(), asked.$typed.get().line]).toEqual(['Ebmaj7', 'x6878x', ''])
  redo()
  await settled()
  expect(symbol()).toBe('C7')
})

test('typed through a chord without shapes, the hand stays where it was', async () => {
  await open({ chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432' }, 'x-13-13-12-15-x')
  for (const line of ['B', 'Bb', 'Bbm', 'Bbm7']) {
    typeLine(line)
    await settled()
  }
  expect([symbol(), inHand()]).toEqual(['Bbm7', 'x-13-15-13-14-x'])
})
