/** Parts of a tune that can be played by themselves: those that the chart names, and four bars around the chosen chord. */
import type { Played, Span } from '@nestling/core/chart'
import type { PathPlan } from './types.ts'

export interface TunePart {
  /** The chart's own name; `undefined` for bars that have none together. */
  readonly name: string | undefined
  readonly span: Span
}

/** So many bars are a phrase. */
const PHRASE = 4

/** The part that is asked, as far as the tune has it. */
export function partOf({ part }: Pick<PathPlan, 'part'>, { bars }: Pick<Played, 'bars'>): Span | undefined {
  const last = bars.length - 1
  if (!part || part.from > last || (part.from === 0 && part.to >= last)) return undefined
  return { from: part.from, to: Math.min(part.to, last) }
}

/** What may be chosen, in order: each part each time it is played, then the four bars that the chosen chord stands in. */
export function tuneParts(
  { chart, chosen }: Pick<PathPlan, 'chart' | 'chosen'>,
  { bars, chords }: Pick<Played, 'bars' | 'chords'>,
): readonly TunePart[] {
  const begins = bars.flatMap(({ written }, bar) => {
    const name = chart.bars[written]?.part
    return name === undefined ? [] : [{ name, bar }]
  })
  const named = begins.map(
    ({ name, bar }, index): TunePart => ({
      name,
      span: { from: bar, to: (begins[index + 1]?.bar ?? bars.length) - 1 },
    }),
  )
  const from = Math.floor((chords[chosen]?.bar ?? 0) / PHRASE) * PHRASE
  const phrase: TunePart = { name: undefined, span: { from, to: Math.min(from + PHRASE, bars.length) - 1 } }
  return [...named, phrase].filter(
    ({ span }, index, all) =>
      span.to >= span.from &&
      !(span.from === 0 && span.to === bars.length - 1) &&
      all.findIndex((one) => one.span.from === span.from && one.span.to === span.to) === index,
  )
}
