/** Whether what is to be kept as a tune is one: chords in a chart without a slip, and wishes that can be read. */
import { playedChart } from '@nestling/core/chart'
import { readTune, type TuneField, type TuneTexts } from '@nestling/core/tune'
import { MOST_TUNE_CHORDS, type TuneDraft } from '../../contracts/tune.ts'
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
  const { length } = playedChart(tune.chart).chords
  if (length > 0 && length <= MOST_TUNE_CHORDS) return undefined
  const expected = `1 to ${MOST_TUNE_CHORDS} chords`
  return { field: 'chart', at: 0, message: `the chart plays ${length} chords; expected ${expected}`, expected }
}

export function refusedTune({ tune }: TuneDraft): Response | undefined {
  const slip = slipOf(tune)
  return slip && refuseWith(`tune.${slip.field}`, slip)
}
