/** Whether what is to be kept as a tune is one: every chord a chord, the chart in its query without a slip. */
import { readChart } from '@nestling/core/chart'
import { readSymbol } from '@nestling/core/chord'
import type { TuneDraft } from '../../contracts/tune.ts'
import { refuse, refuseWith } from './_respond.ts'

export function refusedTune({ query, chords }: TuneDraft): Response | undefined {
  const chart = new URLSearchParams(query).get('chart')
  if (chart === null)
    return refuseWith('query', { message: 'the query has no chart; expected chart=…', expected: 'a chart' })
  const [error] = readChart(chart).errors
  if (error) return refuse('query', error)
  for (const [index, { symbol }] of chords.entries()) {
    const read = readSymbol(symbol)
    if (!read.ok) return refuse(`chords.${index}.symbol`, read.error)
  }
  return undefined
}
