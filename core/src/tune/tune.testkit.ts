/** Random tunes. */
import fc from 'fast-check'
import { anyChart } from '../chart/chart.testkit.ts'
import { readKnownTuning, stringIndex } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { MANNERS } from '../taste/index.ts'
import { BASS_LINES, STROKE_PATTERNS } from '../time/index.ts'
import { readFrets } from '../voicing/index.ts'
import { PATH_WEIGHTS, type Tune } from './index.ts'

const frets = (text: string) => must(readFrets(text, 6))
const maybe = <Value>(value: fc.Arbitrary<Value>) => fc.option(value, { nil: undefined })
const shape = fc.constantFrom('x5756x', 'x-12-14-12-15-x', '320003', '8x898x').map(frets)
const chord = fc.nat(40)
export const strings = (...numbers: number[]) =>
  numbers.map((number) => stringIndex(number, 6)).toSorted((a, b) => a - b)

/** On six strings. */
export const anyTune: fc.Arbitrary<Tune> = fc.record({
  chart: anyChart,
  wishes: fc.record({
    manner: maybe(fc.constantFrom(...MANNERS)),
    strings: maybe(fc.constantFrom([strings(5, 4, 3, 2)], [strings(6, 4, 3), strings(5, 3, 2)])),
    voices: maybe(fc.constantFrom(3, 4)),
    fretMin: fc.constantFrom(1, 3),
    fretMax: fc.constantFrom(9, 12),
    open: maybe(fc.constantFrom('never', 'allow')),
    school: maybe(fc.constantFrom('shell', 'drop-root', 'drop-fifth')),
    roots: maybe(fc.constantFrom([1, 0], [1])),
    stream: fc.boolean(),
    topStepwise: fc.boolean(),
    bassLine: maybe(fc.constantFrom('rising', 'falling')),
    aboveBass: fc.boolean(),
  }),
  weights: fc.constantFrom(PATH_WEIGHTS, { ...PATH_WEIGHTS, hand: 0.2, stays: -1 }),
  loop: fc.boolean(),
  held: fc.array(fc.record({ chord, frets: shape }), { maxLength: 3 }),
  melody: fc.array(fc.record({ chord, midi: fc.integer({ min: 40, max: 90 }) }), { maxLength: 3 }),
  pattern: fc.constantFrom(...Object.values(STROKE_PATTERNS)),
  bass: fc.constantFrom(...BASS_LINES),
  tuning: maybe(fc.constant(must(readKnownTuning('D2,A2,D3,F#3,A3,D4')))),
  way: fc.array(maybe(shape), { maxLength: 5 }).map((way) => (way.some(Boolean) ? way : [])),
}) as fc.Arbitrary<Tune>
