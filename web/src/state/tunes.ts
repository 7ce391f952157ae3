/** Keeping tunes: every change lands in the database at once, and a deletion can be taken back. */
import type { KeptTune, TuneDraft } from '../contracts/tune.ts'
import { call, type Reply } from './http.ts'
import { keepOrWait, seenVersion } from './outbox.ts'

/** What a file said besides is not known everywhere. */
type Given = Omit<TuneDraft, 'remarks'> & Partial<Pick<TuneDraft, 'remarks'>>

/** Keeps a tune: anew, or over the one that is kept under its number, whatever that has become. It waits while the server is away. */
export const keepTune = (draft: Given, over?: number): Promise<Reply<KeptTune>> =>
  keepOrWait({
    ...(over === undefined
      ? { method: 'POST', path: '/api/tunes', list: '/api/tunes' }
      : { method: 'PUT', path: `/api/tunes/${over}`, overNewest: ['remarks'] }),
    body: draft,
    name: draft.title,
  })
export const findTune = (id: number): Promise<Reply<KeptTune>> => call('GET', `/api/tunes/${id}`)
export const deleteTune = async ({ id, version }: Pick<KeptTune, 'id' | 'version'>): Promise<Reply<undefined>> =>
  call('DELETE', `/api/tunes/${id}?version=${await seenVersion(`/api/tunes/${id}`, version)}`)
