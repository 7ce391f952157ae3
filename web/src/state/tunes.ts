/** Keeping tunes: every change lands in the database at once, and a deletion can be taken back. */
import type { KeptTune, TuneDraft } from '../contracts/tune.ts'
import { call, type Reply } from './http.ts'
import { keepOrWait, seenVersion } from './outbox.ts'

/** What a file said besides is not known everywhere. */
type Given = Omit<TuneDraft, 'remarks'> & Partial<Pick<TuneDraft, 'remarks'>>

/** A kept tune as it was opened, or last kept from here; without a version whatever it has become. */
export interface TuneSeen {
  readonly id: number
  readonly version: number | undefined
}

/** What was kept from this page: a step that is taken back does not make it somebody else's. */
const versions = new Map<number, number>()
const newest = ({ id, version }: TuneSeen): number | undefined =>
  version === undefined ? undefined : Math.max(version, versions.get(id) ?? 0)

/** Keeps a tune: anew, or over the one that was seen. One that has become another is refused with it. It waits while the server is away. */
export async function keepTune(draft: Given, over?: TuneSeen): Promise<Reply<KeptTune>> {
  const version = over && newest(over)
  const reply = await keepOrWait<KeptTune>({
    ...(over === undefined
      ? { method: 'POST', path: '/api/tunes', list: '/api/tunes' }
      : { method: 'PUT', path: addressOfKept(over.id), overNewest: ['remarks'] }),
    body: { ...draft, ...(version === undefined ? {} : { version }) },
    name: draft.title,
  })
  if (reply.ok) keptHere(reply.value)
  return reply
}
/** What waited has landed later. */
export const keptHere = ({ id, version }: Pick<KeptTune, 'id' | 'version'>): void => void versions.set(id, version)
/** Where its changes go, and where `$keptLater` tells of it. */
export const addressOfKept = (id: number): string => `/api/tunes/${id}`
export const findTune = (id: number): Promise<Reply<KeptTune>> => call('GET', `/api/tunes/${id}`)
export const restoreTune = (id: number): Promise<Reply<KeptTune>> => call('POST', `/api/tunes/${id}/restore`)
export const deleteTune = async ({ id, version }: Pick<KeptTune, 'id' | 'version'>): Promise<Reply<undefined>> =>
  call('DELETE', `/api/tunes/${id}?version=${await seenVersion(`/api/tunes/${id}`, version)}`)
