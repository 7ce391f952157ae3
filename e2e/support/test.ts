/**
 * What every browser test begins with: each worker has a server of its own, and each file a data folder of its own with the
 * demo data, so that files run beside one another and in any order. An error that a page does not catch fails its test.
 */
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, type BrowserContext, test as base, expect } from '@playwright/test'
import { type Started, startServer, stopped } from '../../scripts/ordeal/server.ts'

export { expect, type Locator, type Page } from '@playwright/test'

/** Filled once, before all tests (`globalSetup.ts`). */
export const DEMO_FOLDER = 'NESTLING_E2E_DEMO'

interface Keeper {
  /** The address of a server that holds what this file has done so far, and nothing of other files. */
  readonly addressFor: (file: string) => Promise<string>
}

interface Running {
  readonly file: string
  readonly folder: string
  readonly server: Started
}

async function begin(file: string): Promise<Running> {
  const demo = process.env[DEMO_FOLDER]
  if (demo === undefined) throw new Error('The demo data was not filled: run the tests through Playwright.')
  const folder = mkdtempSync(join(tmpdir(), 'nestling-e2e-'))
  cpSync(demo, folder, { recursive: true })
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder }, true)
  if (server.address === '') throw new Error(`The server did not start: ${server.line}`)
  return { file, folder, server }
}

async function end({ server, folder }: Running): Promise<void> {
  await stopped(server)
  rmSync(folder, { recursive: true, force: true })
}

export const test = base.extend<{ readonly uncaught: readonly Error[] }, { readonly keeper: Keeper }>({
  keeper: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads from the pattern what a fixture needs
    async ({}, use) => {
      let running: Running | undefined
      await use({
        addressFor: async (file) => {
          if (running?.file !== file) {
            if (running) await end(running)
            running = await begin(file)
          }
          return running.server.address
        },
      })
      if (running) await end(running)
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ keeper }, use, info) => {
    await use(await keeper.addressFor(info.file))
  },
  uncaught: [
    async ({ browser, context }, use) => {
      const errors: Error[] = []
      const noLonger = listenToAll(browser, context, errors)
      await use(errors)
      noLonger()
      expect(
        errors.map(({ name, stack, message }) => `${name}: ${message} ${stack ?? ''}`),
        'errors that the page did not catch',
      ).toEqual([])
    },
    { auto: true },
  ],
})

/** Contexts that a test makes for itself are listened to as well. */
function listenToAll(browser: Browser, context: BrowserContext, errors: Error[]): () => void {
  const listen = (to: BrowserContext) => {
    to.on('weberror', (told) => errors.push(told.error()))
    return to
  }
  listen(context)
  const make = browser.newContext.bind(browser)
  browser.newContext = async (options) => listen(await make(options))
  return () => {
    browser.newContext = make
  }
}
