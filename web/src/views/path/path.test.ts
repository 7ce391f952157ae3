import { playedChart, readChart, type Span, writeChart } from '@nestling/core/chart'
import { readSymbol } from '@nestling/core/chord'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { findPath } from '@nestling/core/path'
import { must } from '@nestling/core/result'
import { readPattern, STROKE_PATTERNS, stringEvents } from '@nestling/core/time'
import { PATH_WEIGHTS } from '@nestling/core/tune'
import { readFrets } from '@nestling/core/voicing'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readPlan, usualSets, writePlan } from './address.ts'
import { partOf, tuneParts } from './parts.ts'
import { scoreOf } from './toScore.ts'
import { degreeAt, tuneLayout, voiceMoves, voicesOf } from './tune/layout.ts'
import { systemsOf } from './tune/Systems.tsx'
import { toneNear } from './tune/useTuneDrag.ts'
import type { PathPlan } from './types.ts'
import { questionOf } from './usePath.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)
const neck = neckOf(STANDARD_INSTRUMENT)
const read = (address: string) =>
  readPlan(Object.fromEntries(new URL(address, 'http://localhost').searchParams), player)
const planFor = (chart: string, changes: Partial<PathPlan> = {}): PathPlan => ({
  ...readPlan({ chart }, player),
  ...changes,
})

describe('the address', () => {
  const wishes = fc.record({
    strings: fc.constantFrom(undefined, usualSets(neck), [
      [1, 3, 4],
      [2, 3, 4],
    ]),
    voices: fc.constantFrom(3, 4),
    fretMin: fc.constantFrom(1, 3),
    fretMax: fc.constantFrom(9, 12),
    open: fc.constantFrom('never' as const, 'allow' as const),
    roots: fc.constantFrom(undefined, [1, 2]),
    stream: fc.boolean(),
    topStepwise: fc.boolean(),
    bassLine: fc.constantFrom(undefined, 'falling' as const),
    aboveBass: fc.boolean(),
  })
  test('opens the plan that wrote it, whatever it is', () =>
    fc.assert(
      fc.property(
        wishes,
        fc.boolean(),
        fc.constantFrom('4/4\n| Dm7 | G7 |', 'title: Kettle Song\nkey: F#m\n3/4 waltz =96\n[A] |: F#m7 . C#7 | % :|'),
        fc.constantFrom('roots', 'walking'),
        (wish, loop, chart, bass) => {
          const base = planFor(chart)
          const plan: PathPlan = {
            ...base,
            wishes: { ...base.wishes, ...wish },
            loop,
            bass: bass as PathPlan['bass'],
            chosen: 1,
            weights: { ...PATH_WEIGHTS, hand: 0.2, stays: -1 },
            held: [{ chord: 1, frets: must(readFrets('x5546x', 6)) }],
            pattern: STROKE_PATTERNS.ballad,
            melody: [{ chord: 0, midi: 65 }],
            part: { from: 1, to: 2 },
            tune: 7,
          }
          expect(read(writePlan(plan, player))).toEqual(plan)
        },
      ),
    ))

  test('what can’t be read is left as it opens', () => {
    const odd = read(
      '/path?chart=Dm7+G7&strings=97,5&frets=9-2&hold=1:zz,0:x5756x&weights=hand:lots,speed:2&at=-3&part=4-2&hand=z&line=slow',
    )
    expect(odd).toEqual(planFor('Dm7 G7', { chart: odd.chart, wishes: planFor('Dm7 G7').wishes }))
    expect(writeChart(odd.chart)).toBe('4/4\n| Dm7 | G7 |')
  })
})

test('parts are those of the chart, each time they are played, and the phrase that the chosen chord stands in', () => {
  const plan = planFor('[A] |: Dm7 | G7 | C | A7 :| [B] | F | G7 | C | C | C | C |', { chosen: 9 })
  const played = playedChart(plan.chart)
  const told = tuneParts(plan, played).map(({ name, span }) => `${name ?? ''}${span.from + 1}-${span.to + 1}`)
  expect(told).toEqual(['A1-4', 'A5-8', 'B9-14', '9-12'])
  expect(partOf({ part: { from: 8, to: 30 } }, played)).toEqual({ from: 8, to: 13 })
  expect(partOf({ part: { from: 0, to: 13 } }, played)).toBeUndefined()
  expect(partOf({ part: { from: 20, to: 21 } }, played)).toBeUndefined()
  const short = planFor('Dm7 G7')
  expect(tuneParts(short, playedChart(short.chart))).toEqual([])
})

describe('the tune from left to right', () => {
  test('true time, but no chord under 78 px and no bar under 96', () => {
    const { columns, bars, width, xAt } = tuneLayout(playedChart(readChart('| Cmaj7 | F G Am Bb | C |').chart))
    expect(bars.map((bar) => bar.width)).toEqual([96, 312, 96])
    expect(columns.map((column) => column.width)).toEqual([96, 78, 78, 78, 78, 96])
    expect(width).toBe(504)
    expect([0, 2, 4, 5, 8, 12].map(xAt)).toEqual([0, 48, 96, 174, 408, 504])
  })
  test('wider where it is asked; in a narrow room this chord and the next fill it', () => {
    const played = playedChart(readChart('| Cmaj7 | F G | C |').chart)
    expect(tuneLayout(played, { scale: 2, room: 900 }).columns.map(({ width }) => width)).toEqual([192, 96, 96, 192])
    expect(tuneLayout(played, { room: 300 }).columns.map(({ width }) => width)).toEqual([150, 150, 150, 150])
    expect(tuneLayout(played, { scale: 0.5, room: 900 }).columns.map(({ width }) => width)).toEqual([96, 78, 78, 96])
  })
  test('systems of eight bars hold every bar and chord once', () => {
    const layout = tuneLayout(playedChart(readChart('Dm7 G7 C A7 '.repeat(5)).chart))
    const systems = systemsOf(layout, 8)
    expect(systemsOf(layout, 2)).toHaveLength(10)
    expect(systems.map(({ bars }) => bars.length)).toEqual([8, 8, 4])
    expect(systems.flatMap(({ columns }) => columns)).toEqual(layout.columns)
    expect(systems.reduce((sum, { width }) => sum + width, 0)).toBeCloseTo(layout.width, 6)
  })
  test('a tone that is dragged falls on the chord’s own, the bass note among them', () => {
    const near = (symbol: string, midi: number) =>
      toneNear(must(readSymbol(symbol)), -midi, { y: (other: number) => -other })
    expect([60, 61, 63, 66, 69].map((midi) => near('C7', midi))).toEqual([60, 60, 64, 67, 70])
    expect(near('C/D', 62)).toBe(62)
    expect([degreeAt(must(readSymbol('Fm7')), 63 - 5), degreeAt(must(readSymbol('Fm7')), -5)]).toEqual(['b7', '5'])
  })
  test('voices keep both their ends where one chord has more of them', () => {
    expect(voiceMoves({ moves: [1, undefined, -2] }, 2, 3)).toEqual([
      { from: 0, to: 0, by: 1 },
      { from: 1, to: 2, by: -2 },
    ])
    expect(voiceMoves({ moves: [1, undefined, -2] }, 3, 2)).toEqual([
      { from: 0, to: 0, by: 1 },
      { from: 2, to: 1, by: -2 },
    ])
  })
})

describe('the path as music', () => {
  const plan = planFor('4/4 bossa\n| Dm7 G7 | Cmaj7 | % |', { pattern: STROKE_PATTERNS['bass-and-chord'] })
  const played = playedChart(plan.chart)
  const found = findPath(questionOf(plan, played, neck, player))
  const quiet = { metronome: false, drums: false, bassStandIn: false, countInBars: 0, tempo: 100 }

  test('each chord’s own strings, marked, in its own time', () => {
    const score = scoreOf(played, found.shapes, neck, plan, quiet)
    expect(score.beats).toBe(12)
    const marks = [...new Set(stringEvents(score).map(({ mark, at }) => `${mark}@${Math.floor(at)}`))]
    expect(marks).toEqual(['0@0', '0@1', '1@2', '1@3', '2@4', '2@5', '2@6', '2@7', '3@8', '3@9', '3@10', '3@11'])
    const first = found.shapes[0]
    if (!first) throw new Error('no shape')
    expect(stringEvents(score).find(({ at }) => at === 0)?.midi).toBe(voicesOf(first)[0]?.midi)
  })

  test('bass, drums and clicks play along where they are wanted; a part of the tune begins at its own bar', () => {
    const all = scoreOf(
      played,
      found.shapes,
      neck,
      { ...plan, bass: 'walking' },
      { metronome: true, drums: true, bassStandIn: true, countInBars: 1, tempo: 100 },
    )
    expect(all).toMatchObject({ countIn: 4, beats: 16, loop: true })
    const parts = (part: string) => all.events.filter((event) => event.part === part).length
    expect([parts('bass'), parts('click') > 12, parts('drums') > 20]).toEqual([12, true, true])
    const last = scoreOf(played, found.shapes, neck, plan, quiet, { from: 1, to: 1 })
    expect(last.beats).toBe(4)
    expect(Math.min(...last.events.map(({ at }) => at))).toBe(0)
    expect(new Set(stringEvents(last).map(({ mark }) => mark))).toEqual(new Set([2]))
  })

  test('a bar’s own tempo stands to the tune’s as it is written', () => {
    const slow = planFor('4/4 =120\n| Dm7 |\n=60\n| G7 | Cmaj7 |\n=120\n| Cmaj7 |')
    const bars = playedChart(slow.chart)
    const paces = (tempo: number, span?: Span) => scoreOf(bars, [], neck, slow, { ...quiet, tempo }, span).paces
    const all = [
      { at: 0, factor: 1 },
      { at: 4, factor: 0.5 },
      { at: 12, factor: 1 },
    ]
    expect(paces(120)).toEqual(all)
    expect(paces(90)).toEqual(all)
    expect(paces(120, { from: 2, to: 3 })).toEqual([
      { at: 0, factor: 0.5 },
      { at: 4, factor: 1 },
    ])
    expect(scoreOf(played, found.shapes, neck, plan, quiet).paces).toBeUndefined()
  })

  test('a pattern that can’t be read is strummed', () => {
    const struck = (pattern: string) =>
      stringEvents(scoreOf(played, found.shapes, neck, { ...plan, pattern }, quiet)).length
    expect(struck('?')).toBe(struck(STROKE_PATTERNS.strum))
    expect(readPattern('?').ok).toBe(false)
  })
})
