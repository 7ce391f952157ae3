/** The tests of one folder, for `npm run mutants`. */
import { join } from 'node:path'
import { defineConfig } from 'vitest/config'

const root = join(import.meta.dirname, '..', '..')

export default defineConfig({
  test: {
    root,
    include: [`${process.env['MUTANTS_FOLDER'] ?? 'core/src'}/**/*.test.ts`],
    environment: 'node',
    testTimeout: 60_000,
    setupFiles: [join(root, 'scripts/propertySeed.ts')],
    env: { NESTLING_MIGRATIONS: join(root, 'web/drizzle') },
  },
})
