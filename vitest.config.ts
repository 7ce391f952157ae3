import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          root: 'core',
          include: ['src/**/*.test.ts'],
          environment: 'node',
          // Proofs by trying everything take their time on a slow machine.
          testTimeout: 120_000,
          setupFiles: [fileURLToPath(new URL('scripts/propertySeed.ts', import.meta.url))],
          benchmark: { include: ['src/**/*.bench.ts'] },
        },
      },
      {
        test: {
          name: 'formats',
          root: 'formats',
          testTimeout: 60_000,
          include: ['src/**/*.test.ts'],
          environment: 'node',
          setupFiles: [fileURLToPath(new URL('scripts/propertySeed.ts', import.meta.url))],
        },
      },
      {
        test: {
          name: 'web',
          root: 'web',
          include: ['{src,server}/**/*.test.ts'],
          environment: 'node',
          env: {
            NESTLING_MIGRATIONS: fileURLToPath(new URL('web/drizzle', import.meta.url)),
            // A busy test machine is no question that takes too long.
            NESTLING_PATIENCE_MS: '120000',
            NESTLING_WORK_THREAD: fileURLToPath(new URL('web/server/work.mjs', import.meta.url)),
          },
          testTimeout: 60_000,
        },
      },
    ],
  },
})
