import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/support/globalSetup.ts',
  // Each with a server and a data folder of its own (`support/test.ts`).
  workers: 2,
  // Generous: a slow machine is not a failure; speed is measured by the bench.
  timeout: 300_000,
  expect: { timeout: 20_000 },
  // A machine that stalls for seconds is given a second try; what needed one is told by name at the end.
  retries: 1,
  forbidOnly: process.env['CI'] !== undefined,
  use: {
    viewport: { width: 1280, height: 800 },
    // Tracing makes every step slower by half: only where it is asked for.
    trace: process.env['E2E_TRACE'] === undefined ? 'off' : 'retain-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
