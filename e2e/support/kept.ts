/** What the server keeps, as a test's end leaves it to the next. */
import { type APIRequestContext, test } from '@playwright/test'

const JSON_TYPE = { 'content-type': 'application/json' }

export async function emptyTray(request: APIRequestContext): Promise<void> {
  const { version } = await (await request.get('/api/tray')).json()
  await request.put('/api/tray', { data: { title: '', key: '', metre: '4/4', tempoBpm: 80, steps: [], version } })
}

const shapeIds = async (request: APIRequestContext): Promise<readonly number[]> => {
  const { shapes } = await (await request.get('/api/shapes?by=newest&limit=200')).json()
  return shapes.map(({ id }: { readonly id: number }) => id)
}

/** The tests of this file leave Book, tray and the look of what is found as they were: those after them want it so. */
export function leaveAsItWas(): void {
  let before: readonly number[] = []
  test.beforeAll(async ({ request }) => {
    before = await shapeIds(request)
  })
  test.afterAll(async ({ request }) => {
    for (const id of await shapeIds(request))
      if (!before.includes(id)) await request.delete(`/api/shapes/${id}`, { headers: JSON_TYPE })
    await emptyTray(request)
    await request.patch('/api/settings', { data: { foundAs: 'bars' } })
  })
}
