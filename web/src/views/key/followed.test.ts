import { readKey } from '@nestling/core/key'
import { must } from '@nestling/core/result'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readPlan } from './address.ts'
import { followed } from './followed.ts'
import { numbersOf } from './keys.ts'

const player = playerOf(DEFAULT_SETTINGS)
const plan = (params: Record<string, string>) => readPlan(params, player).plan
const roots = (written: ReturnType<typeof plan>['written'] = []) => written.map(({ root }) => root).join(' ')

test('another key moves the progression and keeps its numbers, with or without the capo', () => {
  const before = plan({ key: 'G', numbers: '1_4_2_5|7b9' })
  for (const capo of [undefined, 5]) {
    const changes = followed(before, { key: must(readKey('C')), ...(capo === undefined ? {} : { capo }) })
    expect(roots(changes.written)).toBe('C F D G')
    expect(changes.written?.[3]?.formula).toContain('b9')
    expect(numbersOf({ ...before, ...changes }, 'roman')).toEqual(numbersOf(before, 'roman'))
  }
})

test('another depth makes its chords as deep; what else changes leaves them', () => {
  const before = plan({ key: 'G', numbers: '1_5', strings: '321' })
  expect(followed(before, { depth: 'triads' }).written?.map(({ formula }) => formula.length)).toEqual([3, 3])
  expect(followed(before, { step: 3 })).toEqual({ step: 3 })
  expect(followed(before, { written: [] })).toEqual({ written: [] })
})
