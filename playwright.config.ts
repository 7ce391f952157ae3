import { defineConfig } from '@playwright/test'

const PORT = Number(process.env['E2E_PORT'] ?? 4399)

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  // Generous: a slow machine is not a failure; speed is measured by the bench.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  // A machine that stalls for seconds is given a second try; what needed one is told by name at the end.
  retries: 1,
  forbidOnly: process.env['CI'] !== undefined,
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // Tracing makes every step slower by half: only where it is asked for.
    trace: process.env['E2E_TRACE'] === undefined ? 'off' : 'retain-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
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
  webServer: {
    command: 'node e2e/server.mjs',
    url: `http://127.0.0.1:${PORT}/healthz`,
    env: { PORT: String(PORT), ASTRO_TELEMETRY_DISABLED: '1' },
    reuseExistingServer: false,
    timeout: 180_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
  },
})
