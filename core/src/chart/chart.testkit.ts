/** Random charts. */
import fc from 'fast-check'
import { CATALOGUE } from '../chord/index.ts'
import { keyOf, MAJOR, NATURAL_MINOR } from '../key/index.ts'
import { NOTE_NAMES } from '../pitch/index.ts'
import { FOUR_FOUR } from '../time/index.ts'
import { type Chart, type ChartBar, type ChartSlot, STYLES } from './index.ts'

const slot: fc.Arbitrary<ChartSlot> = fc.oneof(
  {
    weight: 6,
    arbitrary: fc
      .tuple(
        fc.constantFrom(...NOTE_NAMES.filter((name) => name.length < 3 && !['B#', 'E#', 'Cb', 'Fb'].includes(name))),
        fc.constantFrom(...CATALOGUE),
      )
      .map(([root, { formula }]): ChartSlot => ({ kind: 'chord', chord: { root, formula } })),
  },
  { weight: 1, arbitrary: fc.constant<ChartSlot>({ kind: 'rest' }) },
)
const maybe = <Value>(value: fc.Arbitrary<Value>) => fc.option(value, { nil: undefined, freq: 4 })
const bar = fc.record({
  slots: fc.oneof(
    { weight: 8, arbitrary: fc.array(slot, { minLength: 1, maxLength: 3 }) },
    { weight: 1, arbitrary: fc.constant<ChartSlot[]>([]) },
    {
      weight: 1,
      arbitrary: slot.map((one): ChartSlot[] => [one, { kind: 'hold' }, { kind: 'hold' }, { kind: 'hold' }]),
    },
  ),
  part: maybe(fc.constantFrom('A', 'B', 'in')),
  opens: maybe(fc.constant(true)),
  closes: maybe(fc.constant(true)),
  ending: maybe(fc.constantFrom(1, 2)),
  metre: maybe(fc.constant(FOUR_FOUR)),
  tempoBpm: maybe(fc.constantFrom(60, 180)),
})
/** In 4/4; bars that repeat the one before, endings and repeats anywhere. */
export const anyChart: fc.Arbitrary<Chart> = fc.record({
  title: fc.constantFrom('', 'Slow Ferry'),
  key: maybe(
    fc.constantFrom(
      ...(['Ab', 'F#', 'C'] as const).flatMap((tonic) =>
        [keyOf(tonic, MAJOR), keyOf(tonic, NATURAL_MINOR)].flatMap((key) => key ?? []),
      ),
    ),
  ),
  metre: fc.constant(FOUR_FOUR),
  tempoBpm: maybe(fc.constantFrom(72, 208)),
  style: fc.constantFrom(...STYLES),
  bars: fc.array(bar, { maxLength: 9 }).map((bars) =>
    bars.map(
      (one, at): ChartBar =>
        at === 0
          ? {
              ...one,
              slots: one.slots.length > 0 ? one.slots : [{ kind: 'rest' }],
              metre: undefined,
              tempoBpm: undefined,
            }
          : one,
    ),
  ),
})
