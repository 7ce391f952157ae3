/** Where a kept tune is opened and practised: by its number, so that it is the one that is kept now. */
import { MOST_RUN_SHAPES } from '@nestling/core/practice'
import { chordsOf } from '@nestling/core/tune'
import type { KeptTune } from './tune.ts'

export const addressOfTune = (id: number): string => `/path?tune=${id}`

export const practiceOfTune = (id: number): string => `/practice?tune=${id}`

/** Its shapes as a run, in their order; chords without one are left out. */
export function runOfTune({ title, tune }: Pick<KeptTune, 'title' | 'tune'>): URLSearchParams {
  const shapes = chordsOf(tune).flatMap(({ symbol, frets }) => (frets === null ? [] : [`${symbol}=${frets}`]))
  const asked = new URLSearchParams({ material: shapes.slice(0, MOST_RUN_SHAPES).join(','), title })
  if (tune.tuning !== undefined) asked.set('tuning', tune.tuning)
  return asked
}
