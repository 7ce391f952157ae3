/** Keeping tunes: every change lands in the database at once, and a deletion can be taken back. */
import type { KeptTune, TuneDraft } from '../contracts/tune.ts'
import { call, type Reply } from './http.ts'

export const keepTune = (draft: TuneDraft): Promise<Reply<KeptTune>> => call('POST', '/api/tunes', draft)
export const replaceTune = (id: number, version: number, draft: TuneDraft): Promise<Reply<KeptTune>> =>
  call('PUT', `/api/tunes/${id}`, { ...draft, version })
export const deleteTune = (id: number): Promise<Reply<undefined>> => call('DELETE', `/api/tunes/${id}`)
export const restoreTune = (id: number): Promise<Reply<KeptTune>> => call('POST', `/api/tunes/${id}/restore`)

/** Where a kept tune opens. */
export const addressOfTune = ({ id, query }: Pick<KeptTune, 'id' | 'query'>): string => `/path?${query}&tune=${id}`
