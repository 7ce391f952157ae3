import { expect, test } from 'vitest'
import { readTypedLine, writeQuestion } from '../request/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must } from '../result/index.ts'
import { answerGivingWay } from './index.ts'

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
