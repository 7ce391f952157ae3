/** A thread that draws views. It draws the first of them before it begins: what runs for the first time takes longest. */
import type { RequestListener } from 'node:http'
import { workerData } from 'node:worker_threads'
import { move, transferableSymbol, valueSymbol } from 'piscina'
import { drawn, type ViewAsked, type ViewDrawn } from './drawn.ts'
import type { Drawing } from './views.ts'

const { entry, views } = workerData as Drawing
const { handler } = (await import(/* @vite-ignore */ entry)) as { readonly handler: RequestListener }

await drawn(handler, { method: 'GET', url: views[0] ?? '/', headers: { host: '127.0.0.1' } })

export default async function draw(asked: ViewAsked): Promise<ViewDrawn> {
  const done = await drawn(handler, asked)
  // Handed over, not copied; the pool takes the value out again.
  return move({ [transferableSymbol]: done.body.buffer, [valueSymbol]: done }) as unknown as ViewDrawn
}
