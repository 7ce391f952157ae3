/** Keeping tunes: every change lands in the database at once, and a deletion can be taken back. */
import { MOST_RUN_SHAPES } from '@nestling/core/practice'
import type { KeptTune, TuneDraft } from '../contracts/tune.ts'
import { call, type Reply } from './http.ts'

/** What a file said besides is not known everywhere. */
type Given = Omit<TuneDraft, 'remarks'> & Partial<Pick<TuneDraft, 'remarks'>>

export const keepTune = (draft: Given): Promise<Reply<KeptTune>> => call('POST', '/api/tunes', draft)
export const replaceTune = (id: number, version: number, draft: Given): Promise<Reply<KeptTune>> =>
  call('PUT', `/api/tunes/${id}`, { ...draft, version })
export const deleteTune = (id: number): Promise<Reply<undefined>> => call('DELETE', `/api/tunes/${id}`)

/** Where a kept tune opens. */
export const addressOfTune = ({ id, query }: Pick<KeptTune, 'id' | 'query'>): string => `/path?${query}&tune=${id}`

/** Its shapes as a run, in their order; chords without one are left out. */
export function practiceOfTune({ title, chords, query }: Pick<KeptTune, 'title' | 'chords' | 'query'>): string {
  const shapes = chords.flatMap(({ symbol, frets }) => (frets === null ? [] : [`${symbol}=${frets}`]))
  const asked = new URLSearchParams({ material: shapes.slice(0, MOST_RUN_SHAPES).join(','), title })
  const tuning = new URLSearchParams(query).get('tuning')
  if (tuning !== null) asked.set('tuning', tuning)
  return `/practice?${asked.toString().replaceAll('%2C', ',').replaceAll('%3D', '=')}`
}
