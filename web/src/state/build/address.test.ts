import { writeSymbol } from '@nestling/core/chord'
import { writeShape } from '@nestling/core/voicing'
import { describe, expect, test } from 'vitest'
import { DEFAULT_SETTINGS, settingOf } from '../../contracts/settings.ts'
import { addressOf, readAddress, stateFrom } from './address.ts'

const setting = settingOf(DEFAULT_SETTINGS)
const opened = (query: string) => stateFrom(readAddress(new URLSearchParams(query)), setting)

describe('the address of a build', () => {
  test.each([
    'chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x',
    'chord=Cm7&bass=b3&omit=none',
    'chord=D%2FF%23&open=allow&shape=200232',
    'chord=G13&doubling=true&fretMin=3&fretMax=9&span=4',
    'chord=D&strings=654&tuning=D2,A2,D3,G3,A3,D4',
    'chord=C[R b9 5]',
  ])('%s opens as it was left', (query) => {
    const { state, typed } = opened(query)
    expect(typed.problem).toBeUndefined()
    const again = stateFrom(readAddress(new URL(addressOf(state), 'http://page').searchParams), setting)
    expect(addressOf(again.state)).toBe(addressOf(state))
    expect(again.state.build.chord).toEqual(state.build.chord)
    expect(again.state.frets).toEqual(state.frets)
  })

  test('without a chord the first build opens; on four strings it takes four', () => {
    expect(writeSymbol(opened('').state.build.chord)).toBe('E♭maj7')
    const four = settingOf(DEFAULT_SETTINGS, {
      ...setting.instrument,
      tuning: { name: 'four', strings: setting.instrument.tuning.strings.slice(2) },
    })
    expect(stateFrom(readAddress(new URLSearchParams()), four).state.build.strings).toEqual([0, 1, 2, 3])
  })

  test('what can’t be read is told, and the page opens all the same', () => {
    const { state, typed } = opened('chord=C7x9')
    expect(typed).toMatchObject({ line: 'C7x9', problem: { field: 'chord', at: 2 } })
    expect(writeSymbol(state.build.chord)).toBe('C')
  })

  test('a shape that the neck does not have is left away; one by hand stays though the chord has it not', () => {
    expect(opened('chord=C&shape=x-30-32-30-x-x').state.frets).toBeUndefined()
    expect(opened('chord=C&shape=x320').state.frets).toBeUndefined()
    const odd = opened('chord=C&shape=x32013').state
    expect(odd.frets && writeShape(odd.frets)).toBe('x32013')
    expect(odd.byHand).toBe(true)
  })
})
