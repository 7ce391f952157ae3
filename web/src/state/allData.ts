/** All that is kept, here and in this browser. */
import type { AboutData } from '../contracts/book.ts'
import { cookieOf } from '../contracts/chosenCookie.ts'
import { call, type Reply } from './http.ts'

export const WHOLE_FILE = '/api/data/nestling.db'
export const aboutData = (): Promise<Reply<AboutData>> => call('GET', '/api/data')

/** What waits in this browser, drafts and steps to undo go as well: nothing of it may come back by itself. */
export async function deleteEverything(): Promise<Reply<undefined>> {
  const reply = await call<undefined>('DELETE', '/api/data', { delete: 'everything' })
  if (reply.ok) {
    localStorage.clear()
    sessionStorage.clear()
    // biome-ignore lint/suspicious/noDocumentCookie: as it is written there
    document.cookie = cookieOf({})
  }
  return reply
}
