/** The files that the server's threads begin with, built beside it: a thread that compiles its sources first takes a second longer. */
import { defineConfig } from 'vite'

export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist/threads',
    rollupOptions: {
      input: ['server/work.ts', 'server/draw.ts'],
      output: { entryFileNames: '[name].mjs', chunkFileNames: '[name]-[hash].mjs' },
    },
  },
  ssr: { noExternal: [/^@nestling\//] },
})
