/**
 * A thread that draws views. What runs for the first time takes several times as long as ever after: it draws the first of
 * them before it begins, and the others soon after, between what it is asked.
 */
import type { RequestListener } from 'node:http'
import { workerData } from 'node:worker_threads'
import { move, transferableSymbol, valueSymbol } from 'piscina'
import { drawn, type ViewAsked, type ViewDrawn } from './drawn.ts'
import type { Drawing } from './views.ts'

const { entry, views } = workerData as Drawing
const { handler } = (await import(/* @vite-ignore */ entry)) as { readonly handler: RequestListener }

const drawOnce = (url: string) => drawn(handler, { method: 'GET', url, headers: { host: '127.0.0.1' } })
const [first = '/', ...others] = views
await drawOnce(first)
void others
  .reduce((before, url) => before.then(() => drawOnce(url)), Promise.resolve<unknown>(undefined))
  .catch(ignored)
/** Who asks for that view is told. */
function ignored(): void {}

export default async function draw(asked: ViewAsked): Promise<ViewDrawn> {
  const done = await drawn(handler, asked)
  // Handed over, not copied; the pool takes the value out again.
  return move({ [transferableSymbol]: done.body.buffer, [valueSymbol]: done }) as unknown as ViewDrawn
}
