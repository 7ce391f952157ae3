import { expect, test } from 'vitest'
import { readTypedLine, writeQuestion } from '../request/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must } from '../result/index.ts'
import { fretsAt, writeFrets } from '../voicing/index.ts'
import { answerGivingWay, easierWay } from './index.ts'

const before = must(readTypedLine('Ebmaj7 drop2 5432', PLAYER)).question
const answer = (line: string, from = before) => {
  const { question, kept } = must(readTypedLine(line, PLAYER, from))
  return answerGivingWay(question, kept, PLAYER)
}

test.each([
  ['A', ['arrangement'], { chord: 'A', strings: '5432' }],
  ['Am', ['arrangement'], { chord: 'Am', strings: '5432' }],
  ['Gsus4', ['arrangement'], { chord: 'Gsus4', strings: '5432' }],
  ['C7', [], { chord: 'C7', arrangement: 'drop-2', strings: '5432' }],
])('%s after a drop 2 on four strings: %j give way', (line, gaveWay, texts) => {
  const answered = answer(line)
  expect([answered.gaveWay, writeQuestion(answered.question, 6)]).toEqual([gaveWay, texts])
  expect(answered.found.playable).toBeGreaterThan(0)
})

test('a wish of before gives way where nothing lies well with it and something does without, and only then', () => {
  const high = must(readTypedLine('Cmaj7 drop2 5432', PLAYER)).question
  for (const line of ['Gm7', 'Dm7', 'A7', 'F#m7b5', 'Bb7']) expect(answer(line, high).gaveWay, line).toEqual([])
  const shell = must(readTypedLine('Cmaj7 drop2&4 654321', PLAYER)).question
  const stretched = must(readTypedLine('Ebmaj7 drop3 5431', PLAYER)).question
  for (const from of [shell, stretched])
    for (const line of ['G7', 'Cm7', 'A13', 'Fmaj9']) {
      const { found, gaveWay, isByTaste } = answer(line, from)
      const free = answerGivingWay(must(readTypedLine(`${line} any any strings`, PLAYER)).question, [], PLAYER).found
      const worse = (found.scores[0] ?? 0) - (free.scores[0] ?? 0)
      expect([line, worse <= 4]).toEqual([line, true])
      if (isByTaste) expect(gaveWay.length).toBeGreaterThan(0)
    }
})

test.each([
  ['A barre', '577655'],
  ['A open', 'x02220'],
  ['C barre', 'x35553'],
  ['E7 open', '020100'],
  ['F7 barre', '131211'],
  ['D6/9', 'x5445x'],
  ['Gmaj7 6432', '3x443x'],
])('%s, typed over nothing that was asked for, has %s under the hand', (line, grip) => {
  const { question, kept } = must(readTypedLine(line, PLAYER))
  const { found } = answerGivingWay(question, kept, PLAYER)
  expect(writeFrets(fretsAt(found, 0))).toBe(grip)
})

test('another manner drops strings, arrangement and place of before; what the line names besides stays', () => {
  const { question } = must(readTypedLine('A barre 6432', PLAYER, before))
  expect(writeQuestion(question, 6)).toEqual({ chord: 'A', manner: 'barre', strings: '6432' })
  const next = must(readTypedLine('D', PLAYER, question))
  expect(writeQuestion(next.question, 6)).toEqual({ chord: 'D', manner: 'barre', strings: '6432' })
})

test('what the line itself asks for never gives way', () => {
  const answered = answer('A drop2 5432')
  expect([answered.gaveWay, answered.found.playable]).toEqual([[], 0])
})

test('a place on the neck gives way after the arrangement and the strings', () => {
  const high = must(readTypedLine('Ebmaj7 close 654 frets 1-1', PLAYER)).question
  const { gaveWay, found } = answer('F#m7b5', high)
  expect(gaveWay).toContain('frets')
  expect(found.playable).toBeGreaterThan(0)
})

test.each(['A', 'Am', 'Gsus4', 'E5', 'C7', 'F#m7b5 drop3 6432', 'x32010', '3 7 R 5 6521', 'm3 m3 m3', 'Dm9 rootless'])(
  'typed first of all, %s finds shapes',
  (line) => {
    const typed = must(readTypedLine(line, PLAYER, before))
    expect(answerGivingWay(typed.question, typed.kept, PLAYER).found.playable).toBeGreaterThan(0)
  },
)

test('beside what is only stretched the easier grip is told, with the one wish that it lets go', () => {
  const easier = (line: string) => {
    const way = easierWay(must(readTypedLine(line, PLAYER)).question, PLAYER)
    return way && [way.wish, writeFrets(way.frets)]
  }
  expect(easier('Gmaj7 drop2 6432')).toEqual(['arrangement', '3x443x'])
  expect(easier('Cmaj7 drop2 5432')).toBeUndefined()
  expect(easier('Cmaj7 drop3 321')).toBeUndefined()
})
