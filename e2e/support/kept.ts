/** What the server keeps, as a test wants it to be. */
import type { APIRequestContext } from '@playwright/test'

export async function emptyTray(request: APIRequestContext): Promise<void> {
  const { version } = await (await request.get('/api/tray')).json()
  await request.put('/api/tray', { data: { title: '', key: '', metre: '4/4', tempoBpm: 80, steps: [], version } })
}
