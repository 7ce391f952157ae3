/** Whether what is to be kept as a tune is one: chords in a chart without a slip, and wishes that can be read. */
import { playedChart } from '@nestling/core/chart'
import { readTune, type TuneField, type TuneTexts } from '@nestling/core/tune'
import type { TuneDraft } from '../../contracts/tune.ts'
import { type Words, wordsOf } from '../../words/errors.ts'
import { refuseWith } from './_respond.ts'

export interface TuneSlip extends Words {
  readonly field: TuneField
  readonly at: number
}

export function slipOf(texts: TuneTexts): TuneSlip | undefined {
  const { tune, errors } = readTune(texts)
  const [error] = errors
  if (error) return { field: error.field, at: error.at, ...wordsOf(error) }
  if (playedChart(tune.chart).chords.length > 0) return undefined
  const expected = 'a chord or more in bars'
  return { field: 'chart', at: 0, message: `there is no chord in the chart; expected ${expected}`, expected }
}

export function refusedTune({ tune }: TuneDraft): Response | undefined {
  const slip = slipOf(tune)
  return slip && refuseWith(`tune.${slip.field}`, slip)
}
