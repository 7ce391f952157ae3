import { answerGivingWay, type GivenWay } from '@nestling/core/answer'
import { writeSymbol } from '@nestling/core/chord'
import type { KeptWish, Player, Question } from '@nestling/core/request'
import { readFrets, writeFrets } from '@nestling/core/voicing'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'

type Search = { readonly question: Question; readonly answer: () => void; readonly fail: () => void }
const searches = vi.hoisted(() => ({ open: [] as Search[], byHand: false }))
vi.mock('../../workers/clients.ts', () => ({
  searchClient: () => ({
    answerGivingWay: (question: Question, kept: readonly KeptWish[], player: Player, limit: number) =>
      new Promise<GivenWay>((resolve, reject) => {
        const answer = () => resolve(answerGivingWay(question, kept, player, limit))
        if (!searches.byHand) answer()
        searches.open.push({ question, answer, fail: () => reject(new Error('the worker died')) })
      }),
  }),
  countingClient: () => ({
    playableCount: async () => 0,
    answerGivingWay: async (question: Question, kept: readonly KeptWish[], player: Player, limit: number) =>
      answerGivingWay(question, kept, player, limit),
  }),
}))
const {
  $workbench,
  $writtenShapes,
  asked,
  clearNeck,
  current,
  finishLine,
  invert,
  moveFret,
  moveStrings,
  openWorkbench,
  redo,
  setByHand,
  setString,
  shapeInHand,
  stepFrom,
  takeFingers,
  takeLine,
  takeName,
  takeQuestion,
  takeShape,
  searchAgain,
  typeLine,
  undo,
  voicingInHand,
  whenAnswered,
} = await import('./index.ts')

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

test('a line that ends before its answer keeps what is shown; what waits for the answer has its shape', async () => {
  vi.useFakeTimers()
  try {
    searches.byHand = true
    typeLine('C7')
    typeLine('Gmaj7 drop3 6432')
    vi.advanceTimersByTime(100)
    finishLine()
    expect($workbench.get()).toMatchObject({ faint: true, frets: [null, 6, 8, 7, 8, null] })
    const answered = whenAnswered()?.then(() => $workbench.get())
    for (const { answer } of searches.open) answer()
    expect(await answered).toMatchObject({ faint: false, frets: [3, null, 4, 4, 3, null] })
    expect(whenAnswered()).toBeUndefined()
  } finally {
    vi.useRealTimers()
  }
})

test('several shapes on a line are looked at, and change nothing that is in hand; what is typed behind them does', async () => {
  const before = current()
  typeLine('x32010')
  await settled()
  expect(symbol()).toBe('C')
  typeLine('x32010 320003')
  expect($writtenShapes.get().map(({ chord }) => chord.root)).toEqual(['C', 'G'])
  expect([current().question, current().frets]).toEqual([before.question, before.frets])
  typeLine('C7')
  expect($writtenShapes.get()).toEqual([])
  expect(symbol()).toBe('C7')
})

test('a search that fails is waited for no longer', async () => {
  searches.byHand = true
  typeLine('C7')
  const waited = whenAnswered()
  searches.open[0]?.fail()
  await expect(waited).resolves.toBeUndefined()
  expect($workbench.get()?.search.status).toBe('failed')
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
  // The same question anew, or another one.
  await searchAgain()
  expect(current().search).toMatchObject({ status: 'found' })
  expect(symbol()).toBe('Gm7')
  typeLine('C7')
  await settled()
  expect(symbol()).toBe('C7')
})

test('what is shown agrees while a search goes on and when it fails: never a chord with the shape of another', async () => {
  searches.byHand = true
  const before = $workbench.get()
  takeLine('Gm7')
  await new Promise((resolve) => setTimeout(resolve, 120))
  expect($workbench.get()).toEqual({ ...before, faint: true })
  searches.open[0]?.fail()
  await vi.waitFor(() => expect(current().search.status).toBe('failed'))
  const failed = $workbench.get()
  expect([failed?.faint, failed?.frets, failed && shapeInHand(failed)]).toEqual([false, undefined, undefined])
  searches.byHand = false
  await searchAgain()
  expect(inHand()).toBeDefined()
  expect(voicingInHand(current())).toBeDefined()
})

test('what the program opened with gives way to what is typed; a wish alone is about it, and what was asked for stays', async () => {
  const opened = async () => {
    await open({})
    expect(current().question).toMatchObject({ arrangement: { name: 'drop-2' }, strings: [1, 2, 3, 4] })
  }
  for (const [line, grip] of [
    ['A barre', '577655'],
    ['Gmaj7 6432', '3x443x'],
    ['A', '577655'],
    ['2nd inversion', 'x-13-13-12-15-x'],
  ] as const) {
    await opened()
    typeLine(line)
    await settled()
    expect([line, inHand()]).toEqual([line, grip])
  }
  await open({ chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432' })
  typeLine('Gm7')
  await settled()
  expect(current().question).toMatchObject({ arrangement: { name: 'drop-2' }, strings: [1, 2, 3, 4] })
})

test('another manner is another grip, wherever the hand is; the same one stays with the hand', async () => {
  await open({})
  for (const [line, grip] of [
    ['A barre', '577655'],
    ['A open', 'x02220'],
    ['A barre', '577655'],
    ['C barre', 'x35553'],
    ['C open', 'x32010'],
    ['G', '320003'],
  ] as const) {
    for (let length = 1; length <= line.length; length++) typeLine(line.slice(0, length))
    finishLine()
    await settled()
    expect([line, inHand()]).toEqual([line, grip])
  }
  // The same by a word of the sentence, and back.
  takeQuestion({ ...current().question, manner: 'barre', open: 'never' })
  await settled()
  expect(inHand()).toBe('355433')
  undo()
  await settled()
  expect(inHand()).toBe('320003')
})

test('on the next strings the place gives way where it holds nothing there, and a shape stays in hand', async () => {
  takeLine('fret 5')
  await settled()
  for (const by of [1, -1, -1] as const) {
    expect(moveStrings(by)).toBe(true)
    await settled()
    expect(inHand()).toMatch(/\d/)
  }
})

test('an order that was asked for turns on its own strings, up and back the same way, and stays an order', async () => {
  takeLine('Fmaj7 3 7 R 5 on 6521')
  await settled()
  const order = () => voicingInHand(current())?.arrangement.degrees.join(' ')
  const shapes = [inHand()]
  for (const turned of ['5 R 3 7', '7 3 5 R', 'R 5 7 3']) {
    expect(invert(1)).toBe(true)
    await settled()
    shapes.push(inHand())
    expect(order()).toBe(turned)
    expect(current().question.arrangement).toEqual({ kind: 'list', degrees: turned.split(' ') })
  }
  for (const shape of shapes.slice(0, -1).toReversed()) {
    expect(invert(-1)).toBe(true)
    await settled()
    expect(inHand()).toBe(shape)
  }
})

test('a row pressed while the next list is on its way is of the chord of its own list', async () => {
  searches.byHand = true
  moveFret(1)
  expect(symbol()).toBe('Emaj7')
  takeShape(frets('x-10-12-8-11-x'))
  expect([symbol(), voicingInHand(current()) !== undefined]).toEqual(['Ebmaj7', true])
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

/** As the field sees it: every keystroke, and Enter. */
async function typeOut(line: string) {
  for (let end = 1; end <= line.length; end++) {
    typeLine(line.slice(0, end))
    // Fast and slow typing: some keys come before the answer to the one before.
    if (end % 3 === 0) await settled()
  }
  finishLine()
  await settled()
}
const shown = () => ({ symbol: symbol(), inHand: inHand(), question: current().question })

describe('a typed line', () => {
  test.each([
    'A',
    'Am',
    'Gsus4',
    'E5',
    'C7',
    'F#m7b5 drop3 6432',
    'x32010',
    '3 7 R 5 6521',
    'm3 m3 m3',
    'Dm9 rootless',
    'drop3 6432',
    'Bbm7 fret 5',
  ])('%s: typed and pasted lead to the same shape, in one step', async (line) => {
    await typeOut(line)
    const typed = shown()
    expect(current().search).toMatchObject({ status: 'found', result: { playable: expect.any(Number) } })
    expect(typed.inHand).not.toBe('')
    undo()
    await settled()
    expect([symbol(), inHand()]).toEqual(['Ebmaj7', 'x6878x'])
    takeLine(line)
    await settled()
    expect(shown()).toEqual(typed)
  })

  test('that can’t be read changes nothing in the end, whatever its beginning meant', async () => {
    const before = shown()
    await typeOut('C7 dorp2')
    expect(shown()).toEqual(before)
    expect(asked.$typed.get().problem?.message).toContain('dorp2')
    await typeOut('')
    expect(shown()).toEqual(before)
  })

  test('emptied again it takes itself back', async () => {
    const before = shown()
    typeLine('C7')
    await settled()
    typeLine('')
    await settled()
    finishLine()
    expect(shown()).toEqual(before)
  })

  test('a kept drop 2 gives way to a triad and is told to; a named drop 3 does not', async () => {
    takeLine('Am')
    await settled()
    expect(current()).toMatchObject({
      question: { arrangement: { kind: 'any' } },
      search: { gaveWay: ['arrangement'] },
    })
    takeLine('Am drop3')
    await settled()
    expect(current().search).toMatchObject({ gaveWay: [], result: { playable: 0 } })
  })

  test('while it has no shapes yet the last answer stays, faint, all of it; at its end it is shown as it is', async () => {
    typeLine('Am drop3')
    await settled()
    await vi.waitFor(() => expect($workbench.get()?.faint).toBe(true))
    expect(writeSymbol($workbench.get()?.question.chord ?? { root: 'C', formula: [] })).toBe('E♭maj7')
    finishLine()
    expect($workbench.get()).toMatchObject({ faint: false, question: { chord: { root: 'A' } }, frets: undefined })
  })
})

describe('the name in hand', () => {
  const orders = [
    [0, 1, 2, 3],
    [3, 2, 1, 0],
    [1, 3, 0, 2],
  ] as const
  test.each([
    ['5x55xx', 'Am7'],
    ['x2323x', 'Bm7b5'],
    ['x32010', 'C'],
    ['3x443x', 'Gmaj7'],
  ])('%s is %s in whatever order it is pressed', async (shape, name) => {
    for (const order of orders) {
      clearNeck()
      const tones = frets(shape).flatMap((fret, string) => (fret === null ? [] : [[string, fret] as const]))
      for (const at of [...order, 4]) {
        const tone = tones[at]
        if (tone) setString(...tone)
      }
      expect([inHand(), symbol()]).toEqual([shape, name])
    }
    await settled()
  })

  test('leans on the chord of which a tone was moved', async () => {
    setByHand(frets('x8878x'))
    await settled()
    expect(symbol()).toBe('Ebmaj9')
  })

  test('is kept when a string falls silent and what sounds can still be it, without its root too', async () => {
    await open({ chord: 'G7', strings: '5432' }, 'x5546x')
    setString(2, null)
    await settled()
    expect([symbol(), inHand()]).toEqual(['G7', 'x5x46x'])
    expect(voicingInHand(current())?.degrees).not.toContain('R')
  })
  test('is kept over a rootless shape once the player has said it', async () => {
    setByHand(frets('3x343x'))
    await settled()
    takeLine('this is G7')
    await settled()
    expect([symbol(), inHand(), current().stated]).toEqual(['G7', '3x343x', true])
    setString(0, null)
    await settled()
    expect([symbol(), inHand()]).toEqual(['G7', 'xx343x'])
    undo()
    takeLine('this is C7')
    await settled()
    expect([symbol(), asked.$typed.get().problem?.message]).toEqual(['G7', expect.stringContaining('another chord')])
  })

  test('a chord over a bass that is not its own turns above it, and never takes that tone up', async () => {
    setByHand(frets('x7654x'))
    await settled()
    expect(takeName({ root: 'Ab', formula: ['R', '3', '5'], bass: 'E' })).toBe(true)
    await settled()
    expect([symbol(), inHand()]).toEqual(['Ab/E', 'x7654x'])
    expect(invert(1)).toBe(true)
    await settled()
    expect([symbol(), inHand()]).toEqual(['Ab/E', 'x-7-10-8-9-x'])
    expect(invert(1)).toBe(true)
    await settled()
    expect([symbol(), inHand()]).toEqual(['Ab/E', 'x-7-13-13-13-x'])
    expect(invert(-1)).toBe(true)
    expect(invert(-1)).toBe(true)
    await settled()
    expect([symbol(), inHand()]).toEqual(['Ab/E', 'x7654x'])
    // Lower, the bass would no longer be the lowest: it says so.
    expect(invert(-1)).toBe(false)
  })

  test('can be chosen; its degrees follow', async () => {
    setByHand(frets('x5545x'))
    await settled()
    expect(takeName({ root: 'C', formula: ['R', '3', '5', '7', '9'] })).toBe(true)
    await settled()
    expect([symbol(), inHand()]).toEqual(['Cmaj9', 'x5545x'])
    expect(takeName({ root: 'C', formula: ['R', '3', '5'] })).toBe(false)
    // Of the shape before: it says nothing of this one.
    expect(takeName({ root: 'A', formula: ['R', 'b3', '5', 'b7', '11'] }, frets('x3545x'))).toBe(false)
    expect([symbol(), inHand()]).toEqual(['Cmaj9', 'x5545x'])
  })
})
