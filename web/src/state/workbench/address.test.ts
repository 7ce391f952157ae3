import { writeSymbol } from '@nestling/core/chord'
import { readTypedLine } from '@nestling/core/request'
import { readShape } from '@nestling/core/shape'
import { writeFrets } from '@nestling/core/voicing'
import { describe, expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { addressOf, addressOfShape, readAddress, stepFrom } from './address.ts'

const player = playerOf(DEFAULT_SETTINGS)
const opened = (query: string) => stepFrom(readAddress(new URLSearchParams(query)), player)

describe('the address of a question', () => {
  test.each([
    'chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x',
    'chord=Cm7&bass=b3&omit=none',
    'chord=D%2FF%23&open=allow&shape=200232',
    'chord=G13&doubling=true&fretMin=3&fretMax=9&span=4',
    'chord=D&strings=654&tuning=D2,A2,D3,G3,A3,D4',
    'chord=G7&shape=xx343x&stated=1',
    'chord=C[R b9 5]',
    'chord=Cm7&strings=5432&shape=x3534x&fingers=x1423x',
  ])('%s opens as it was left', (query) => {
    const { step, typed } = opened(query)
    expect(typed.problem).toBeUndefined()
    const again = stepFrom(readAddress(new URL(addressOf({ ...step, player }), 'http://page').searchParams), player)
    expect(addressOf({ ...again.step, player })).toBe(addressOf({ ...step, player }))
    expect(again.step.question.chord).toEqual(step.question.chord)
    expect(again.step.frets).toEqual(step.frets)
    expect(again.step.fingers).toEqual(step.fingers)
    expect([step.stated, again.step.stated]).toEqual(query.includes('stated') ? [true, true] : [false, false])
  })

  test('without a chord the first question opens; on four strings it takes four', () => {
    expect(writeSymbol(opened('').step.question.chord)).toBe('E♭maj7')
    const four = playerOf(DEFAULT_SETTINGS, {
      ...player.instrument,
      tuning: { name: 'four', strings: player.instrument.tuning.strings.slice(2) },
    })
    expect(stepFrom(readAddress(new URLSearchParams()), four).step.question.strings).toEqual([0, 1, 2, 3])
  })

  test('what can’t be read is told, and the page opens all the same', () => {
    const { step, typed } = opened('chord=C7x9')
    expect(typed).toMatchObject({ line: 'C7x9', problem: { at: 2 } })
    expect(writeSymbol(step.question.chord)).toBe('C')
  })

  test('a shape that the neck does not have is left away; one by hand stays though the chord has it not', () => {
    expect(opened('chord=C&shape=x-30-32-30-x-x').step.frets).toBeUndefined()
    expect(opened('chord=C&shape=x320').step.frets).toBeUndefined()
    const odd = opened('chord=C&shape=x32013').step
    expect(odd.frets && writeFrets(odd.frets)).toBe('x32013')
    expect(odd.byHand).toBe(true)
  })
})

describe('another naming system', () => {
  const german = playerOf({ ...DEFAULT_SETTINGS, naming: 'german' })
  const syllables = playerOf({ ...DEFAULT_SETTINGS, naming: 'syllables' })

  test.each([
    ['H7', german, 'B', 'B7'],
    ['B7', german, 'Bb', 'Bb7'],
    ['si7', syllables, 'B', 'B7'],
    ['sib7', syllables, 'Bb', 'Bb7'],
  ])('%s is typed, and the address is in letters: a reload is the same chord', (typed, player, root, letters) => {
    const read = readTypedLine(typed, player)
    if (!read.ok) throw new Error(read.error.code)
    expect(read.value.question.chord.root).toBe(root)
    const address = addressOf({ question: read.value.question, frets: undefined, fingers: undefined, player })
    expect(address).toBe(`/?chord=${letters}`)
    const again = stepFrom(readAddress(new URL(address, 'http://page').searchParams), player)
    expect(again.step.question.chord.root).toBe(root)
  })
})

describe('a shape opens under the same question from everywhere', () => {
  const shape = (chord: string, frets: string, tuning = 'E2,A2,D3,G3,B3,E4', fingers = '') => {
    const read = readShape({ chord, frets, tuning, fingers })
    if (!read.ok) throw new Error(read.error.code)
    return read.value
  }
  test.each([
    [shape('Ebmaj7', 'x6878x'), '/?chord=Ebmaj7&strings=5432&shape=x6878x'],
    [shape('Cm7', 'x3534x', undefined, 'x1423x'), '/?chord=Cm7&strings=5432&shape=x3534x&fingers=x1423x'],
    [shape('C', 'x32010'), '/?chord=C&strings=54321&doubling=true&open=allow&shape=x32010'],
    [
      shape('Dadd9', '0-0-2-0-0-2', 'D2,A2,D3,F#3,A3,D4'),
      '/?chord=Dadd9&strings=654321&doubling=true&open=allow&tuning=D2,A2,D3,F%233,A3,D4&shape=002002',
    ],
  ])('%#', (one, address) => {
    expect(addressOfShape(one, player)).toBe(address)
    const { step, typed } = stepFrom(readAddress(new URL(address, 'http://page').searchParams), player)
    expect(typed.problem).toBeUndefined()
    expect([step.frets, step.fingers]).toEqual([one.frets, one.fingers])
  })
})
