/** A thread of the pool: a question comes in, the endpoint's own work is asked, its answer goes out. */
import type { Work, WorkAsked, WorkDone, WorkName } from '../src/pages/api/_work.ts'

const WORKS: Readonly<Record<WorkName, () => Promise<{ readonly work: Work }>>> = {
  arpeggio: () => import('../src/pages/api/arpeggio.ts'),
  between: () => import('../src/pages/api/between.ts'),
  check: () => import('../src/pages/api/check.ts'),
  key: () => import('../src/pages/api/key.ts'),
  lane: () => import('../src/pages/api/lane.ts'),
  names: () => import('../src/pages/api/names.ts'),
  neighbours: () => import('../src/pages/api/neighbours.ts'),
  path: () => import('../src/pages/api/path.ts'),
  run: () => import('../src/pages/api/run.ts'),
  voicings: () => import('../src/pages/api/voicings.ts'),
}

export default async function answer({ name, url, method, body }: WorkAsked): Promise<WorkDone> {
  const { work } = await WORKS[name]()
  const request = new Request(url, method === 'GET' ? {} : { method, body })
  const response = await work({ url: new URL(url), request })
  return { status: response.status, body: await response.text() }
}
