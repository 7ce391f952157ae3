import { expect, test } from 'vitest'
import { MEDIUM_HAND } from '../hand/index.ts'
import { STANDARD_INSTRUMENT } from '../neck/index.ts'
import {
  CHOICE_FIELDS,
  choicesOf,
  readBuildLine,
  type Setting,
  shapesFor,
  usualStringSets,
  waysOut,
  writeBuild,
} from './index.ts'

const setting: Setting = {
  instrument: STANDARD_INSTRUMENT,
  ownTunings: [], hand: MEDIUM_HAND, school: 'drop-fifth', thumb: false, naming: ['letters'], withBassPlayer: false,
} // biome-ignore format: one breath
const build = (line: string) => {
  const read = readBuildLine(line, setting)
  if (!read.ok) throw new Error(read.error.message)
  return read.value
}

test('the usual sets of four strings are the neighbouring ones, then those with one gap', () =>
  expect(usualStringSets(6, 4).slice(0, 9).map((set) => set.map((index) => 6 - index).join(''))).toEqual([
    '4321', '5432', '6543', '5321', '5421', '5431', '6432', '6532', '6542',
  ])) // biome-ignore format: a table

test.each(CHOICE_FIELDS)(
  'every choice for %s is a build that can be searched, and one of them is how it is',
  (field) => {
    const asked = build('Ebmaj7 drop2 5432')
    const choices = choicesOf(field, asked, setting)
    expect(choices.length).toBeGreaterThan(2)
    const written = choices.map((choice) => JSON.stringify(writeBuild(choice, 6)))
    expect(new Set(written).size).toBe(choices.length)
    expect(written).toContain(JSON.stringify(writeBuild(asked, 6)))
    for (const choice of choices.slice(0, 8)) expect(shapesFor(choice, setting).count).toBeGreaterThanOrEqual(0)
  },
)

test('where nothing is found there is a way out that finds something', () => {
  const asked = build('Fm11 drop2 5432')
  expect(shapesFor(asked, setting).count).toBe(0)
  const found = waysOut(asked, setting).filter((way) => shapesFor(way.build, setting).count > 0)
  expect(found.map(({ giveUp }) => giveUp)).toEqual(expect.arrayContaining(['strings', 'omit']))
})
