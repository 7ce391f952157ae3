/** A server that a test gives to the stores: answers by method and path, and remembers what was asked. */
import { vi } from 'vitest'

export interface Asked {
  readonly method: string
  readonly path: string
  readonly body: unknown
}
export type Answers = (asked: Asked) => { readonly status: number; readonly body?: unknown } | 'no server'

export function givenServer(answers: Answers): readonly Asked[] {
  const all: Asked[] = []
  vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
    const asked = { method: init.method ?? 'GET', path, body: init.body ? JSON.parse(String(init.body)) : undefined }
    all.push(asked)
    const answer = answers(asked)
    if (answer === 'no server') throw new TypeError('failed to fetch')
    const { status, body } = answer
    return new Response(status === 204 ? null : JSON.stringify(body ?? {}), { status })
  })
  return all
}
