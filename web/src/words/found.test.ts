import { readTypedLine } from '@nestling/core/request'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../contracts/settings.ts'
import { gaveWayWords, nothingFoundWords } from './found.ts'

const player = playerOf(DEFAULT_SETTINGS)
const question = (line: string) => {
  const read = readTypedLine(line, player)
  if (!read.ok) throw new Error(read.error.code)
  return read.value.question
}

test.each([
  ['Am', ['arrangement'], 'a triad has three tones; drop 2 wants four: any arrangement is shown'],
  ['E5', ['arrangement', 'strings'], 'it has two tones; drop 2 wants four: any arrangement and any strings are shown'],
  ['Cm13', ['arrangement'], 'it lies in no drop 2 here: any arrangement is shown'],
  ['C7', ['strings'], 'it does not lie there: any strings are shown'],
  ['C7', [], ''],
] as const)('%s, %j gave way: %s', (line, gaveWay, words) =>
  expect(gaveWayWords(gaveWay, question(`${line} drop2 5432`))).toBe(words),
)

test('why nothing is found is told by what makes it so', () => {
  expect(nothingFoundWords(question('A drop3'), 'on any strings', 0)).toBe('a triad has three tones; drop 3 wants four')
  expect(nothingFoundWords(question('A7 drop3'), 'on 5 4 3 2', 2)).toBe('2 shapes on 5 4 3 2, beyond reach')
  expect(nothingFoundWords(question('A7 drop3'), 'on 5 4 3 2', 0)).toBe('No shape on 5 4 3 2 within your reach')
})
