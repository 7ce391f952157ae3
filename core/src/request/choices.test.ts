import { expect, test } from 'vitest'
import { shapesFor } from '../answer/index.ts'
import { CHOICE_FIELDS, choicesOf, readTypedLine, usualStringSets, waysOut, writeQuestion } from './index.ts'
import { PLAYER } from './player.testkit.ts'

const question = (line: string) => {
  const read = readTypedLine(line, PLAYER)
  if (!read.ok) throw new Error(read.error.code)
  return read.value.question
}

test('the usual sets of four strings are the neighbouring ones, then those with one gap', () =>
  expect(
    usualStringSets(6, 4)
      .slice(0, 9)
      .map((set) => set.map((index) => 6 - index).join('')),
  ).toEqual(['4321', '5432', '6543', '5321', '5421', '5431', '6432', '6532', '6542']))

test.each(CHOICE_FIELDS)(
  'every choice for %s is a question that can be searched, and one of them is how it is',
  (field) => {
    const asked = question('Ebmaj7 drop2 5432')
    const choices = choicesOf(field, asked, PLAYER)
    expect(choices.length).toBeGreaterThan(2)
    const written = choices.map((choice) => JSON.stringify(writeQuestion(choice, 6)))
    expect(new Set(written).size).toBe(choices.length)
    expect(written).toContain(JSON.stringify(writeQuestion(asked, 6)))
    for (const choice of choices) {
      const strings = (choice.tuning ?? PLAYER.instrument.tuning).strings.length
      // Another neck has other strings: those that were named mean nothing there.
      expect(choice.strings?.every((string) => string < strings) ?? true).toBe(true)
      if (field === 'tuning' && strings !== 6) expect(choice.strings).toBeUndefined()
      expect(shapesFor(choice, PLAYER).strings).toBe(strings)
    }
  },
)

test('what lies beyond the reach is offered with a longer one', () => {
  const asked = question('Cm7 close 6543 3rd bass')
  expect(shapesFor(asked, PLAYER).count).toBe(0)
  const longer = waysOut(asked, PLAYER).find(({ giveUp }) => giveUp === 'reach')
  expect(longer && shapesFor(longer.question, PLAYER).count).toBeGreaterThan(0)
})

test('where nothing is found there is a way out that finds something', () => {
  const asked = question('Fm11 drop2 5432 no 5')
  expect(shapesFor(asked, PLAYER).count).toBe(0)
  const found = waysOut(asked, PLAYER).filter((way) => shapesFor(way.question, PLAYER).count > 0)
  expect(found.map(({ giveUp }) => giveUp)).toEqual(expect.arrayContaining(['strings', 'omit']))
})
