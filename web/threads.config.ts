/** The file that the server's threads begin with, built beside it: a thread that compiles its sources first takes a second longer. */
import { defineConfig } from 'vite'

export default defineConfig({
  publicDir: false,
  build: {
    ssr: 'server/work.ts',
    outDir: 'dist/threads',
    rollupOptions: { output: { entryFileNames: 'work.mjs', chunkFileNames: '[name]-[hash].mjs' } },
  },
  ssr: { noExternal: [/^@nestling\//] },
})
