/** A thread of the pool: a question comes in, the endpoint's own work is asked, its answer goes out. */
import { gzipSync } from 'node:zlib'
import { move, transferableSymbol, valueSymbol } from 'piscina'
import { oftenAsked } from '../src/data/pageData.ts'
import { repositories } from '../src/data/repositories.ts'
import { storageProblem } from '../src/data/storageProblem.ts'
import { problem } from '../src/pages/api/_respond.ts'
import type { Work, WorkAsked, WorkDone, WorkName } from '../src/pages/api/_work.ts'

const WORKS: Readonly<Record<WorkName, () => Promise<{ readonly work: Work }>>> = {
  arpeggio: () => import('../src/pages/api/arpeggio.ts'),
  between: () => import('../src/pages/api/between.ts'),
  book: () => import('../src/pages/api/book.ts'),
  'changes/[id]/undo': () => import('../src/pages/api/changes/[id]/undo.ts'),
  check: () => import('../src/pages/api/check.ts'),
  'copies/index': () => import('../src/pages/api/copies/index.ts'),
  'copies/[id]/restore': () => import('../src/pages/api/copies/[id]/restore.ts'),
  'data/index': () => import('../src/pages/api/data/index.ts'),
  'data/nestling.db': () => import('../src/pages/api/data/nestling.db.ts'),
  key: () => import('../src/pages/api/key.ts'),
  'key-of': () => import('../src/pages/api/key-of.ts'),
  lane: () => import('../src/pages/api/lane.ts'),
  'log/index': () => import('../src/pages/api/log/index.ts'),
  'log/summary': () => import('../src/pages/api/log/summary.ts'),
  names: () => import('../src/pages/api/names.ts'),
  neighbours: () => import('../src/pages/api/neighbours.ts'),
  'notebook/apply': () => import('../src/pages/api/notebook/apply.ts'),
  'notebook/index': () => import('../src/pages/api/notebook/index.ts'),
  'notebook/preview': () => import('../src/pages/api/notebook/preview.ts'),
  numbers: () => import('../src/pages/api/numbers.ts'),
  path: () => import('../src/pages/api/path.ts'),
  run: () => import('../src/pages/api/run.ts'),
  'shapes.csv': () => import('../src/pages/api/shapes.csv.ts'),
  'shapes/index': () => import('../src/pages/api/shapes/index.ts'),
  'shapes/many': () => import('../src/pages/api/shapes/many.ts'),
  transpose: () => import('../src/pages/api/transpose.ts'),
  'tunes/[id].[format]': () => import('../src/pages/api/tunes/[id].[format].ts'),
  voicings: () => import('../src/pages/api/voicings.ts'),
}

/** What is kept, over a connection of this thread's own; opened when it is first asked for. */
let kept: App.Locals | undefined
function locals(): App.Locals {
  if (kept === undefined) {
    const beside = repositories()
    kept = { ...beside, ...oftenAsked(beside) }
  }
  return kept
}

/** What is longer is made smaller here already: where requests are answered it would take its time from others. */
const LONG_BYTES = 64 * 1024

export default async function answer({ name, url, method, params, body, zipped }: WorkAsked): Promise<WorkDone> {
  const { work } = await WORKS[name]()
  const request = new Request(url, body === null ? { method } : { method, body: body as Uint8Array<ArrayBuffer> })
  let response: Response
  try {
    response = await work({
      url: new URL(url),
      request,
      params,
      get locals() {
        return locals()
      },
    })
  } catch (error) {
    // What a disk says is lost on the way from thread to thread: it is told here.
    const told = storageProblem(error)
    if (told === undefined) throw error
    response = problem(told.status, told)
  }
  const whole = new Uint8Array(await response.arrayBuffer())
  const isZipped = zipped && whole.length > LONG_BYTES
  const bytes = isZipped ? new Uint8Array(gzipSync(whole)) : whole
  const headers = {
    ...Object.fromEntries(response.headers),
    ...(isZipped ? { 'content-encoding': 'gzip', vary: 'accept-encoding' } : {}),
  }
  if (bytes.length === 0) return { status: response.status, headers, body: null }
  // Handed over, not copied; the pool takes the value out again.
  const done: WorkDone = { status: response.status, headers, body: bytes }
  return move({ [transferableSymbol]: bytes.buffer, [valueSymbol]: done }) as unknown as WorkDone
}
