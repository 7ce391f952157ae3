/** What the server found is the same once it has been read out of the page. */
import { answerGivingWay } from '@nestling/core/answer'
import { readTypedLine } from '@nestling/core/request'
import { must } from '@nestling/core/result'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { $session } from '../session.ts'
import { readFirstAnswer, writeFirstAnswer } from './firstAnswer.ts'

const PLAYER = playerOf(DEFAULT_SETTINGS, $session.get().instrument)
const answer = (line: string) => {
  const { question, kept } = must(readTypedLine(line, PLAYER))
  return answerGivingWay(question, kept, PLAYER)
}

test.each(['Ebmaj7 drop2 5432', 'C13 any any strings', 'A open'])('%s', (line) => {
  const found = answer(line)
  const read = readFirstAnswer(writeFirstAnswer(found))
  expect(read.question).toEqual(JSON.parse(JSON.stringify(found.question)))
  expect(read.gaveWay).toEqual(found.gaveWay)
  expect(found.found.shown).toBeGreaterThan(2)
  expect(read.found.frets).toEqual(found.found.frets)
  expect(read.found.held).toEqual(found.found.held)
  for (const [row, score] of found.found.scores.entries()) expect(read.found.scores[row]).toBeCloseTo(score, 3)
  expect({ ...read.found, frets: 0, scores: 0, reachesMm: 0, held: 0 }).toEqual({
    ...found.found,
    frets: 0,
    scores: 0,
    reachesMm: 0,
    held: 0,
  })
})
