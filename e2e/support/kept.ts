/** What the server keeps, as a test's end leaves it to the next. */
import type { APIRequestContext } from '@playwright/test'

const JSON_TYPE = { 'content-type': 'application/json' }

export async function emptyTray(request: APIRequestContext): Promise<void> {
  const { version } = await (await request.get('/api/tray')).json()
  await request.put('/api/tray', { data: { title: '', key: '', metre: '4/4', tempoBpm: 80, steps: [], version } })
}

const shapeIds = async (request: APIRequestContext): Promise<readonly number[]> => {
  const { shapes } = await (await request.get('/api/shapes?by=newest&limit=200')).json()
  return shapes.map(({ id }: { readonly id: number }) => id)
}

/** Remembers the Book's shapes. @returns Deletes those that came since. */
export async function booksShapes(request: APIRequestContext): Promise<(later: APIRequestContext) => Promise<void>> {
  const before = await shapeIds(request)
  return async (later) => {
    for (const id of await shapeIds(later))
      if (!before.includes(id)) await later.delete(`/api/shapes/${id}`, { headers: JSON_TYPE })
  }
}
