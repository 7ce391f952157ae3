import * as v from 'valibot'
import { expect, test } from 'vitest'
import { NOTEBOOK_ROWS } from './notebook.ts'

const attempt = {
  id: 'a',
  kind: 'run',
  runId: null,
  cardId: null,
  at: Date.UTC(2026, 10, 23),
  day: '2026-11-23',
  material: 'm7',
  suffix: 'm7',
  root: 'E',
  string: 5,
  frets: 'x7978x',
  form: 'x0201x',
  tuning: 'E2,A2,D3,G3,B3,E4',
  tempo: 80,
  grade: 'had',
  judge: 'ear',
  shown: false,
  seconds: 3,
  faults: '',
  instrument: 'Archtop',
}
const wrongIn = (table: 'attempts' | 'settings', row: object) => {
  const read = v.safeParse(NOTEBOOK_ROWS[table] as v.GenericSchema, row)
  return read.success ? undefined : v.getDotPath(read.issues[0])
}

test('numbers of the log have bounds: a day that no calendar shows, a tempo that nobody plays', () => {
  expect(wrongIn('attempts', attempt)).toBeUndefined()
  for (const [field, value] of [
    ['at', 1e300],
    ['at', -1],
    ['tempo', 5000],
    ['string', 40],
    ['seconds', -1],
  ] as const)
    expect(wrongIn('attempts', { ...attempt, [field]: value })).toBe(field)
})

test.each(['constructor', 'toString', '__proto__', 'hasOwnProperty'])(
  'a setting called %s is one of another version: left out later, and breaks nothing',
  (key) => expect(wrongIn('settings', { key, value: 1 })).toBeUndefined(),
)

test('a setting of ours has to have a value that it can have', () => {
  expect(wrongIn('settings', { key: 'foundAs', value: 'bars' })).toBeUndefined()
  expect(wrongIn('settings', { key: 'foundAs', value: 'piles' })).toBeDefined()
})
