/** Keeping sheets: every change lands in the database at once, and a deletion can be taken back. */
import type { KeptSheet, SheetDraft } from '../contracts/sheet.ts'
import { call, type Reply } from './http.ts'

export const keepSheet = (draft: SheetDraft): Promise<Reply<KeptSheet>> => call('POST', '/api/sheets', draft)
export const replaceSheet = (id: number, version: number, draft: SheetDraft): Promise<Reply<KeptSheet>> =>
  call('PUT', `/api/sheets/${id}`, { ...draft, version })
export const deleteSheet = (id: number): Promise<Reply<undefined>> => call('DELETE', `/api/sheets/${id}`)
export const findSheet = (id: number): Promise<Reply<KeptSheet>> => call('GET', `/api/sheets/${id}`)

/** A last change while the page is being left: nobody is there to hear the answer. */
export function sendLast(id: number, version: number, draft: SheetDraft): void {
  void fetch(`/api/sheets/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...draft, version }),
    keepalive: true,
  })
}

/** Where a sheet opens. */
export const addressOfSheet = ({ id }: Pick<KeptSheet, 'id'>): string => `/sheet?sheet=${id}`
