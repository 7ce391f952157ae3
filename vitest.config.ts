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
          benchmark: { include: ['src/**/*.bench.ts'] },
        },
      },
      { test: { name: 'web', root: 'web', include: ['{src,server}/**/*.test.ts'], environment: 'node' } },
    ],
  },
})
