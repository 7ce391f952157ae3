/** A map is the same once it has been read out of its page. */
import { mapOf } from '@nestling/core/map'
import { readTypedLine } from '@nestling/core/request'
import { must } from '@nestling/core/result'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { $session } from '../../state/session.ts'
import { readFirstMap, writeFirstMap } from './writtenMap.ts'

const PLAYER = playerOf(DEFAULT_SETTINGS, $session.get().instrument)

test.each(['Ebmaj7 drop2', 'C13 any', 'Adim close'])('%s, with what is beyond reach', (line) => {
  const map = mapOf(must(readTypedLine(line, PLAYER)).question, PLAYER)
  expect(map.rows.length).toBeGreaterThan(2)
  const read = readFirstMap(writeFirstMap(map))
  expect(read).toEqual(map)
  const scores = (of: typeof map) =>
    of.rows.flatMap(({ cells }) => cells.map((cell) => (cell.kind === 'place' ? cell.score : undefined)))
  expect(scores(read)).toEqual(scores(map))
})
