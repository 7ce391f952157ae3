import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import node from '@astrojs/node'
import react from '@astrojs/react'
import { ColorSchemeScript } from '@mantine/core'
import type { AstroIntegration } from 'astro'
import { defineConfig } from 'astro/config'
import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { VIEWS } from './src/shell/views.ts'

// Mantine's pre-paint script is inline React output, so Astro does not hash it for the content security policy.
const schemeScript = renderToStaticMarkup(createElement(ColorSchemeScript, { defaultColorScheme: 'auto' }))
const hashOf = (script: string): `sha256-${string}` => `sha256-${createHash('sha256').update(script).digest('base64')}`
const schemeHash = hashOf(schemeScript.replace(/^<script[^>]*>|<\/script>$/g, ''))
const earlyHash = hashOf(readFileSync(new URL('./src/shell/early.inline.js', import.meta.url), 'utf8'))

/** Every view of the table has its page in its own folder. */
const pagesOfViews: AstroIntegration = {
  name: 'pages-of-views',
  hooks: {
    'astro:config:setup': ({ injectRoute }) => {
      for (const { folder, href } of VIEWS)
        injectRoute({ pattern: href, entrypoint: new URL(`./src/views/${folder}/page.astro`, import.meta.url) })
    },
  },
}

const EMPTY = fileURLToPath(new URL('./src/sheet/emptyModule.ts', import.meta.url))

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), pagesOfViews],
  devToolbar: { enabled: false },
  server: { host: '127.0.0.1', port: Number(process.env['PORT'] ?? 4321) },
  // Our own border checks every write, and answers in its own form.
  security: { checkOrigin: false, allowedDomains: [{ hostname: '127.0.0.1' }, { hostname: 'localhost' }] },
  experimental: {
    csp: {
      directives: [
        "default-src 'self'",
        "img-src 'self' data: blob:",
        "font-src 'self' data:",
        "worker-src 'self' blob:",
        "connect-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
      ],
      scriptDirective: { hashes: [schemeHash, earlyHash] },
    },
  },
  vite: {
    // What a first use imports is asked for after it, never beside it: browsers remember a module that failed for as long
    // as the page lives, and only what was imported by name can be asked for again (`workers/loaded.ts`).
    build: {
      // Forty small files, asked for six at a time, cost a page a third of a second; merged, a tenth of that.
      rollupOptions: { output: { experimentalMinChunkSize: 40_000 } },
      modulePreload: {
        resolveDependencies: (_, files, { hostType }) =>
          hostType === 'js' ? files.filter((file) => file.endsWith('.css')) : files,
      },
    },
    worker: { format: 'es' },
    // jsPDF's ways to draw a web page, which are never taken here.
    resolve: { alias: { html2canvas: EMPTY, canvg: EMPTY, dompurify: EMPTY } },
    // Imported on first use: unless listed, dev finds them at the first click and reloads the page.
    optimizeDeps: { include: ['tone', 'comlink', 'vexflow/core', 'pitchy', 'audiobuffer-to-wav'] },
    ssr: { noExternal: ['@mantine/core', '@mantine/hooks', '@mantine/notifications'], external: ['better-sqlite3'] },
  },
})
