import { expect, test } from 'vitest'
import { shapesFor } from '../answer/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { STANDARD_INSTRUMENT } from '../neck/index.ts'
import {
  CHOICE_FIELDS,
  choicesOf,
  type Player,
  readTypedLine,
  usualStringSets,
  waysOut,
  writeQuestion,
} from './index.ts'

const player: Player = {
  instrument: STANDARD_INSTRUMENT,
  ownTunings: [], hand: MEDIUM_HAND, school: 'drop-fifth', thumb: false, naming: ['letters'], withBassPlayer: false,
} // biome-ignore format: one breath
const question = (line: string) => {
  const read = readTypedLine(line, player)
  if (!read.ok) throw new Error(read.error.code)
  return read.value
}

test('the usual sets of four strings are the neighbouring ones, then those with one gap', () =>
  expect(usualStringSets(6, 4).slice(0, 9).map((set) => set.map((index) => 6 - index).join(''))).toEqual([
    '4321', '5432', '6543', '5321', '5421', '5431', '6432', '6532', '6542',
  ])) // biome-ignore format: a table

test.each(CHOICE_FIELDS)(
  'every choice for %s is a question that can be searched, and one of them is how it is',
  (field) => {
    const asked = question('Ebmaj7 drop2 5432')
    const choices = choicesOf(field, asked, player)
    expect(choices.length).toBeGreaterThan(2)
    const written = choices.map((choice) => JSON.stringify(writeQuestion(choice, 6)))
    expect(new Set(written).size).toBe(choices.length)
    expect(written).toContain(JSON.stringify(writeQuestion(asked, 6)))
    for (const choice of choices) {
      const strings = (choice.tuning ?? player.instrument.tuning).strings.length
      // Another neck has other strings: those that were named mean nothing there.
      expect(choice.strings?.every((string) => string < strings) ?? true).toBe(true)
      if (field === 'tuning' && strings !== 6) expect(choice.strings).toBeUndefined()
      expect(shapesFor(choice, player).strings).toBe(strings)
    }
  },
)

test('what lies beyond the reach is offered with a longer one', () => {
  const asked = question('Cm7 close 6543 3rd bass')
  expect(shapesFor(asked, player).count).toBe(0)
  const longer = waysOut(asked, player).find(({ giveUp }) => giveUp === 'reach')
  expect(longer && shapesFor(longer.question, player).count).toBeGreaterThan(0)
})

test('where nothing is found there is a way out that finds something', () => {
  const asked = question('Fm11 drop2 5432 no 5')
  expect(shapesFor(asked, player).count).toBe(0)
  const found = waysOut(asked, player).filter((way) => shapesFor(way.question, player).count > 0)
  expect(found.map(({ giveUp }) => giveUp)).toEqual(expect.arrayContaining(['strings', 'omit']))
})
