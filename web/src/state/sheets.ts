/** Keeping sheets: every change lands in the database at once, and a deletion can be taken back. */
import type { KeptSheet, SheetDraft } from '../contracts/sheet.ts'
import { call, type Reply } from './http.ts'
import { type Keeping, keepOrWait, letWait, seenVersion } from './outbox.ts'

/** Both wait in the browser while the server is away. */
export const keepSheet = (draft: SheetDraft): Promise<Reply<KeptSheet>> =>
  keepOrWait({ method: 'POST', path: '/api/sheets', body: { ...draft }, name: draft.title, list: '/api/sheets' })
const replacing = (id: number, version: number, draft: SheetDraft): Keeping => ({
  ...{ method: 'PUT', path: addressAt(id), name: draft.title },
  body: { ...draft, version },
})
export const replaceSheet = (id: number, version: number, draft: SheetDraft): Promise<Reply<KeptSheet>> =>
  keepOrWait(replacing(id, version, draft))
/** Where its changes go, and where `$keptLater` tells of it. */
export const addressAt = (id: number): string => `/api/sheets/${id}`
export const deleteSheet = async ({ id, version }: Pick<KeptSheet, 'id' | 'version'>): Promise<Reply<undefined>> =>
  call('DELETE', `${addressAt(id)}?version=${await seenVersion(addressAt(id), version)}`)
export const findSheet = (id: number): Promise<Reply<KeptSheet>> => call('GET', `/api/sheets/${id}`)

/** A last change while the page is being left: nobody is there to hear the answer, so that it waits as well. */
export function sendLast(id: number, version: number, draft: SheetDraft): void {
  letWait(replacing(id, version, draft))
  void fetch(`/api/sheets/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...draft, version }),
    keepalive: true,
  })
}

/** Where a sheet opens. */
export const addressOfSheet = ({ id }: Pick<KeptSheet, 'id'>): string => `/sheet?sheet=${id}`
