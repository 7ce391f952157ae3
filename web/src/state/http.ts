/** Calls to our own endpoints. A refusal is a value with the server's sentence; a lost connection says so. */
import type { Problem } from '../contracts/problem.ts'
import { tellOthers } from './otherPages.ts'
import { heardFrom } from './served.ts'

export type Reply<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false
      readonly status: number
      readonly message: string
      /** It is kept in the browser, and sent when the server is back. */
      readonly waits?: boolean
      /** What is there, where that is a later version than the one that was changed. */
      readonly now?: unknown
    }

export type Method = 'GET' | 'POST' | 'PATCH' | 'PUT' | 'DELETE'

/** Other pages that show the Book then ask anew. */
const OF_BOOK = /^\/api\/(shapes|sets|sheets|tunes|changes|notebook|copies|unreadable|data)\b/

export async function call<T>(method: Method, path: string, body?: unknown): Promise<Reply<T>> {
  let response: Response
  let value: T
  try {
    response = await fetch(path, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
    heardFrom(response)
    // An answer that is cut short is none.
    value = (response.ok && response.status !== 204 ? await response.json() : undefined) as T
  } catch {
    return {
      ok: false,
      status: 0,
      message: 'The server does not answer. Your work is still on this page; try again when it runs.',
    }
  }
  if (response.ok && method !== 'GET' && OF_BOOK.test(path)) tellOthers('book', undefined)
  if (response.ok) return { ok: true, value }
  const problem = (await response.json().catch(() => undefined)) as
    | (Partial<Problem> & { readonly now?: unknown })
    | undefined
  const message = problem?.error ?? `The server answered ${response.status}.`
  return { ok: false, status: response.status, message, ...(problem?.now === undefined ? {} : { now: problem.now }) }
}
