/** Keeping tunes: every change lands in the database at once, and a deletion can be taken back. */
import type { KeptTune, TuneDraft } from '../contracts/tune.ts'
import { call, type Reply } from './http.ts'

/** What a file said besides is not known everywhere. */
type Given = Omit<TuneDraft, 'remarks'> & Partial<Pick<TuneDraft, 'remarks'>>

export const keepTune = (draft: Given): Promise<Reply<KeptTune>> => call('POST', '/api/tunes', draft)
export const findTune = (id: number): Promise<Reply<KeptTune>> => call('GET', `/api/tunes/${id}`)
export const replaceTune = (id: number, version: number, draft: Given): Promise<Reply<KeptTune>> =>
  call('PUT', `/api/tunes/${id}`, { ...draft, version })
export const deleteTune = (id: number): Promise<Reply<undefined>> => call('DELETE', `/api/tunes/${id}`)
