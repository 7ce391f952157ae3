/** What a test gives to the stores: a server, which answers by method and path and remembers what was asked; a window's storage; cookies. */
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

/** @returns What a window keeps over its pages. */
export function givenWindow(): Map<string, string> {
  const kept = new Map<string, string>()
  vi.stubGlobal('sessionStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, text: string) => kept.set(key, text),
  })
  return kept
}

/** What every page of a browser shares. */
export function givenBrowser(): Map<string, string> {
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, text: string) => kept.set(key, text),
    removeItem: (key: string) => kept.delete(key),
  })
  return kept
}

/** A document that keeps cookies, another's among them. */
export function givenCookies() {
  const kept = new Map([['nestling', 'token']])
  const all = () => [...kept].map((one) => one.join('=')).join('; ')
  const write = (written: string) => {
    const [, name = '', value = '', flags = ''] = /^(.*?)=(.*?);(.*)$/.exec(written) ?? []
    if (flags.includes('max-age=0')) kept.delete(name)
    else kept.set(name, value)
  }
  vi.stubGlobal('document', Object.defineProperty({}, 'cookie', { get: all, set: write }))
  return { all, write }
}
