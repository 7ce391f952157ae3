import { describe, expect, test } from 'vitest'
import { atBeat, isCleanRound, proposed, type Round, startedRound, type Taken } from './round.ts'
import { revealed } from './run/revealed.ts'

const EACH = 4
/** The round played beat by beat, with what is said on the way. */
function played(
  count: number,
  marks: readonly number[],
  said: (round: Round, mark: number) => Round = (round) => round,
) {
  let round = startedRound(count)
  const taken: Taken[] = []
  for (const mark of marks) {
    const next = atBeat(round, mark, EACH)
    if (next.taken) taken.push(next.taken)
    round = said(next.round, mark)
  }
  return { round, taken }
}
const beats = (from: number, to: number) => Array.from({ length: to - from }, (_, index) => from + index)

describe('a round', () => {
  test('goes from root to root by its beats, and takes each root when the next begins', () => {
    const { round, taken } = played(3, beats(0, 9))
    expect([round.at, round.beat]).toEqual([2, 0])
    expect(taken.map(({ index, grade, judge }) => `${index} ${grade} ${judge}`)).toEqual([
      '0 played player',
      '1 played player',
    ])
  })
  test('begins anew at its first root, and remembers how the last round went', () => {
    const { round, taken } = played(2, [...beats(0, 8), 0, 1], (now, mark) =>
      mark === 1 ? { ...now, chosen: 'had' } : now,
    )
    expect(taken).toHaveLength(2)
    expect(round).toMatchObject({ at: 0, beat: 1, rounds: 1 })
    expect(round.before?.map((result) => result?.grade)).toEqual(['had', 'played'])
    expect(round.results).toEqual([undefined, undefined])
  })
  test('the player overrules the ear; what nobody judged was played', () => {
    const heard = { verdicts: [], lateMs: 0, grade: 'hard' } as const
    const { taken } = played(3, beats(0, 9), (now, mark) =>
      mark === 1 ? { ...now, heard } : mark === 5 ? { ...now, heard, chosen: 'easy' } : now,
    )
    expect(taken.map(({ grade, judge }) => `${grade} by ${judge}`)).toEqual(['hard by ear', 'easy by player'])
  })
  test('what was looked up is hard at best', () => {
    const { taken } = played(2, beats(0, 5), (now, mark) =>
      mark === 2 ? { ...now, shown: true, chosen: 'easy' } : now,
    )
    expect(taken[0]).toMatchObject({ grade: 'hard', shown: true })
  })
  test('a run of one root goes round on itself', () => {
    const { taken, round } = played(1, [...beats(0, 4), ...beats(0, 4), 0])
    expect(taken).toHaveLength(2)
    expect(round.rounds).toBe(2)
    expect(round.at).toBe(0)
  })
  test('nothing is proposed until somebody says something', () => {
    const { round } = played(2, [0])
    expect(proposed(round)).toBeUndefined()
    expect(proposed({ ...round, chosen: 'lost' })).toBe('lost')
  })
  test('the tempo rises only after a round that was clean to its last root', () => {
    const clean = (last: 'had' | 'hard', shown = false) => {
      const { round } = played(2, beats(0, 6), (now) => ({ ...now, chosen: 'had' }))
      return isCleanRound({ ...round, chosen: last, shown })
    }
    expect([clean('had'), clean('hard'), clean('had', true)]).toEqual([true, false, false])
  })
})

test.each([
  ['places', { beat: 0, isRunning: true, shown: false }, 'places'],
  ['places', { beat: 0, isRunning: true, shown: true }, 'all'],
  ['late', { beat: 1, isRunning: true, shown: false }, 'places'],
  ['late', { beat: 2, isRunning: true, shown: false }, 'all'],
  ['open', { beat: 0, isRunning: true, shown: false }, 'all'],
  ['root', { beat: 3, isRunning: true, shown: false }, 'root'],
  ['nothing', { beat: 3, isRunning: false, shown: false }, 'nothing'],
] as const)('%s, %j: %s is seen', (showing, moment, seen) =>
  expect(revealed(showing, { each: EACH, ...moment })).toBe(seen),
)
