/** Calls to our own endpoints. A refusal is a value with the server's sentence; a lost connection says so. */
import type { Problem } from '../contracts/problem.ts'

export type Reply<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly status: number; readonly message: string }

export type Method = 'GET' | 'POST' | 'PATCH' | 'PUT' | 'DELETE'

export async function call<T>(method: Method, path: string, body?: unknown): Promise<Reply<T>> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  } catch {
    return {
      ok: false,
      status: 0,
      message: 'The server does not answer. Your work is still on this page; try again when it runs.',
    }
  }
  if (response.ok) return { ok: true, value: (response.status === 204 ? undefined : await response.json()) as T }
  const problem = (await response.json().catch(() => undefined)) as Partial<Problem> | undefined
  return { ok: false, status: response.status, message: problem?.error ?? `The server answered ${response.status}.` }
}
