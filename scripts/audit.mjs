/** `npm run audit`: every state of every view by rule, by day and at dusk; `npm test` has twelve of them. */
import { build, chromium, install } from './lib.mjs'
import { run } from './steps.mjs'

await install()
await Promise.all([chromium(), build()])
await run('Auditing', 'npx', ['playwright', 'test', 'e2e/accessibility.spec.ts', '--reporter=list'], {
  environment: { E2E_AUDIT: 'all' },
  shown: true,
})
