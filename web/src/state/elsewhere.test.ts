import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../contracts/settings.ts'
import { type LineView, readingsElsewhere } from './elsewhere.ts'

const player = playerOf(DEFAULT_SETTINGS)
const views = (line: string, here: LineView) => readingsElsewhere(line, here, player).map(({ view }) => view)

test.each<[string, LineView, readonly LineView[]]>([
  ['D major 1 4 5', 'Build', ['Key']],
  ['Bb sevenths 6 5', 'Build', ['Key']],
  ['m7 on 5 and 6 fourths from E 80', 'Build', ['Practice']],
  ['| Dm7 | G7 | Cmaj7 |', 'Build', ['Path']],
  ['Cmaj7 drop2 5432 3rd bass', 'Key', ['Build']],
  ['x32010 320003', 'Map', ['Build', 'Practice']],
  ['Cmaj7 open', 'Practice', ['Build']],
  ['zzz', 'Build', []],
  ['', 'Key', []],
])('%s in %s is read in %j', (line, here, expected) => expect(views(line, here)).toEqual(expected))

test('a way leads to the line as it was typed', () => {
  expect(readingsElsewhere('D major 1 4 5', 'Build', player)[0]?.href).toBe('/key?line=D+major+1+4+5')
  expect(readingsElsewhere('| Dm7 | G7 |', 'Key', player)[0]?.href).toBe('/path?chart=%7C+Dm7+%7C+G7+%7C')
})
