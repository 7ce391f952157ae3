import { expect, test } from 'vitest'
import { LOG_COLUMNS, type LogRow, writeLogCsv } from './index.ts'

const row: LogRow = {
  at: '2026-11-23T18:00:00.000Z',
  day: '2026-11-23',
  kind: 'run',
  material: 'Fm9=x8688x,Bbm7=6x666x',
  root: 'F',
  suffix: 'm9',
  string: 5,
  frets: 'x8688x',
  tempo: 80,
  grade: 'had',
  judge: 'ear',
  shown: false,
  seconds: 3,
  faults: '',
  instrument: 'the "old" one',
  card: '',
}

test('heads first, and what holds commas or quotes is quoted', () => {
  const [heads, first] = writeLogCsv([row]).split('\r\n')
  expect(heads).toBe(LOG_COLUMNS.join(','))
  expect(first).toContain('"Fm9=x8688x,Bbm7=6x666x"')
  expect(first).toContain('"the ""old"" one"')
})
test('of nothing it is the heads alone', () => expect(writeLogCsv([]).trim()).toBe(LOG_COLUMNS.join(',')))
