/** A view as a thread is asked for it, and as it is handed over. */
import type { IncomingHttpHeaders, OutgoingHttpHeaders, RequestListener } from 'node:http'
import { inject } from 'light-my-request'

export interface ViewAsked {
  readonly method: 'GET' | 'HEAD'
  /** Path and query. */
  readonly url: string
  readonly headers: IncomingHttpHeaders
}
export interface ViewDrawn {
  readonly status: number
  readonly headers: OutgoingHttpHeaders
  readonly body: Uint8Array<ArrayBuffer>
}

/** They belong to the connection over which the answer goes. */
const OF_THE_CONNECTION = ['connection', 'date', 'keep-alive', 'transfer-encoding']

/** Asks the handler as a request over a connection would. */
export async function drawn(handler: RequestListener, { method, url, headers }: ViewAsked): Promise<ViewDrawn> {
  const answer = await inject(handler, { method, url, headers })
  const kept = Object.entries(answer.headers).filter(([name]) => !OF_THE_CONNECTION.includes(name))
  return { status: answer.statusCode, headers: Object.fromEntries(kept), body: new Uint8Array(answer.rawPayload) }
}
