/** The page comes with what the search gives, and without it where that takes too long. */
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS } from '../../contracts/settings.ts'
import { readAddress, readFirstAnswer } from '../../state/workbench/index.ts'
import { firstAnswer } from './firstAnswer.ts'

const PAGE = {
  settings: DEFAULT_SETTINGS,
  instruments: [],
  tunings: [],
  tray: { id: 0, version: 0, name: '', steps: [] },
} as unknown as Parameters<typeof firstAnswer>[1]
const answer = (address: string) => firstAnswer(readAddress(new URLSearchParams(address)), PAGE)

test('an address has its shapes, the opening chord without one', () => {
  const bare = readFirstAnswer(answer('') ?? '')
  expect([bare.found.shown, bare.found.playable]).toEqual([4, 4])
  const { found } = readFirstAnswer(answer('chord=A&open=allow') ?? '')
  expect(found.shown).toBeGreaterThan(1000)
})

test('ten strings on which anything goes are left to the browser', () =>
  expect(
    answer('chord=C13%2311&tuning=E1,A1,D2,G2,C3,F3,A3,D4,G4,C5&arrangement=any&open=allow&doubling=true'),
  ).toBeUndefined())
