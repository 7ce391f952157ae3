/** A chart changed: chords put in, taken out, exchanged and moved. Bars and slots as they are written. */
import type { Chord } from '../chord/index.ts'
import { type Key, keysByFourths } from '../key/index.ts'
import { metreAt } from './played.ts'
import type { Chart, ChartBar, ChartSlot } from './types.ts'

/** A chord by its place among the written bars. */
export interface WrittenPlace {
  readonly bar: number
  readonly slot: number
}

const withSlots = (
  chart: Chart,
  bar: number,
  change: (slots: readonly ChartSlot[]) => readonly ChartSlot[],
): Chart => ({
  ...chart,
  bars: chart.bars.map((one, at): ChartBar => (at === bar ? { ...one, slots: change(one.slots) } : one)),
})

/** How many slots a chord holds, itself and the dots behind it. */
function lengthOf(slots: readonly ChartSlot[], slot: number): number {
  let end = slot + 1
  while (slots[end]?.kind === 'hold') end++
  return end - slot
}

/** A chord behind another one: it takes the second half of its dots, or shares the bar. */
export const withChordAfter = (chart: Chart, { bar, slot }: WrittenPlace, chord: Chord): Chart =>
  withSlots(chart, bar, (slots) => {
    const length = lengthOf(slots, slot)
    const added: ChartSlot = { kind: 'chord', chord }
    return length > 1 ? slots.with(slot + Math.ceil(length / 2), added) : slots.toSpliced(slot + 1, 0, added)
  })

const HOLD: ChartSlot = { kind: 'hold' }

/** Without a chord, whose time goes to the one before it, in this bar or an earlier one. */
export function withChordJoined(chart: Chart, place: WrittenPlace): Chart {
  const { bar, slot } = place
  const slots = chart.bars[bar]?.slots ?? []
  if (slot > 0) return withoutChord(chart, place)
  if (slots.length <= 1 || slots.some(({ kind }) => kind === 'hold'))
    return withSlots(chart, bar, () => slots.with(0, HOLD))
  // Chords that share a bar get their beats, where these come out even.
  const each = metreAt(chart, bar).count / slots.length
  if (!Number.isInteger(each)) return withoutChord(chart, place)
  return withSlots(chart, bar, () =>
    slots.flatMap((one, at) => [at === 0 ? HOLD : one, ...Array.from({ length: each - 1 }, () => HOLD)]),
  )
}

/** Without a chord: in a bar of beats the one before sounds on, else the others share the bar; a bar of its own falls away. */
export function withoutChord(chart: Chart, { bar, slot }: WrittenPlace): Chart {
  const slots = chart.bars[bar]?.slots ?? []
  if (slots.filter(({ kind }) => kind === 'chord').length > 1)
    return withSlots(chart, bar, () =>
      slots.some(({ kind }) => kind === 'hold')
        ? slots.with(slot, { kind: slot === 0 ? 'rest' : 'hold' })
        : slots.toSpliced(slot, 1),
    )
  const gone = chart.bars[bar]
  if (!gone) return chart
  const bars = chart.bars.toSpliced(bar, 1)
  const next = bars[bar]
  // What stood at its head is the next bar's.
  const { part, opens, ending, metre, tempoBpm } = gone
  if (next)
    bars[bar] = {
      ...next,
      part: next.part ?? part,
      opens: next.opens ?? opens,
      ending: next.ending ?? ending,
      metre: next.metre ?? metre,
      tempoBpm: next.tempoBpm ?? tempoBpm,
    }
  return { ...chart, bars }
}

export const withChord = (chart: Chart, { bar, slot }: WrittenPlace, chord: Chord): Chart =>
  withSlots(chart, bar, (slots) => slots.with(slot, { kind: 'chord', chord }))

/** Two chords change places. */
export function withChordsSwapped(chart: Chart, a: WrittenPlace, b: WrittenPlace): Chart {
  const [first, second] = [chart.bars[a.bar]?.slots[a.slot], chart.bars[b.bar]?.slots[b.slot]]
  if (first?.kind !== 'chord' || second?.kind !== 'chord') return chart
  return withChord(withChord(chart, a, second.chord), b, first.chord)
}

/** The twelve keys that a tune can be put into, its own first, by fourths. */
export const keysFor = (key: Key): readonly Key[] => keysByFourths(key, 0)
