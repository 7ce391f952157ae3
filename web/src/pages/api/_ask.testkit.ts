/** An endpoint asked as a function, with the repositories that a test gives to it. */
import type { APIRoute } from 'astro'
import type { Served } from '../../data/repositories.ts'
import type { Work } from './_work.ts'

export type Given = { readonly [Name in keyof Served]?: Partial<Served[Name]> }
export interface AskedOf {
  readonly path?: string
  /** Sent as JSON; `text` is sent as it is. */
  readonly body?: unknown
  readonly text?: string
  readonly locals?: Given
  readonly params?: object
}

export async function ask(route: APIRoute | Work, { path = '/', body, text, locals = {}, params = {} }: AskedOf) {
  const url = new URL(path, 'http://127.0.0.1:4321')
  const sent = text ?? (body === undefined ? undefined : JSON.stringify(body))
  const request = new Request(url, sent === undefined ? {} : { method: 'POST', body: sent })
  const response = await (route as APIRoute)({ url, request, locals, params } as unknown as Parameters<APIRoute>[0])
  return { status: response.status, body: response.status === 204 ? undefined : await response.json() }
}

export const nothingKept = () => {
  throw new Error('this must not be kept')
}
