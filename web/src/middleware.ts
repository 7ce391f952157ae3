import { defineMiddleware } from 'astro:middleware'
import { repositories } from './data/repositories.ts'
import { problem } from './pages/api/_respond.ts'

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])
const MOST_BODY_BYTES = 64 * 1024

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]'])

/**
 * A page elsewhere whose name was made to point here (its requests look like our own) is turned away by its name. Who
 * sets HOST to another address opens Nestling to that network by intent.
 */
function isOurs(host: string): boolean {
  const told = process.env['HOST']
  return (told !== undefined && !LOOPBACK.has(told)) || LOOPBACK.has(host.replace(/:\d+$/, ''))
}

function hostOf(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host : undefined
}

/**
 * At the border of every request: writes must be JSON, from our own origin and of moderate size; every answer
 * carries the security headers. Astro's own check covers form posts only, so JSON is checked here.
 */
export const onRequest = defineMiddleware(async (context, next) => {
  const { request, url } = context
  const host = request.headers.get('host') ?? url.host
  if (!isOurs(host))
    return problem(403, {
      error: `Nestling answers at 127.0.0.1 or localhost, not at ${host.slice(0, 60)}; set HOST to open it to others`,
      field: 'host',
      expected: '127.0.0.1 or localhost',
    })
  if (!READS.has(request.method)) {
    const type = request.headers.get('content-type')?.split(';')[0]?.trim()
    if (type !== 'application/json')
      return problem(415, {
        error: 'writes are JSON; expected content-type application/json',
        field: 'content-type',
        expected: 'application/json',
      })
    const origin = request.headers.get('origin')
    if (origin !== null && hostOf(origin) !== host)
      return problem(403, {
        error: 'writes come from the application itself; expected its own origin',
        field: 'origin',
        expected: `http://${host}`,
      })
    const length = request.headers.get('content-length')
    // A body of unknown length could go on for ever; DELETE and empty posts have none.
    if (length === null && request.headers.has('transfer-encoding'))
      return problem(411, {
        error: 'the length of the request is missing; expected content-length',
        field: 'content-length',
        expected: 'the length of the body in bytes',
      })
    if (Number(length ?? 0) > MOST_BODY_BYTES)
      return problem(413, {
        error: 'the request is too large; expected at most 64 KB',
        field: 'body',
        expected: 'at most 65536 bytes',
      })
  }
  Object.assign(context.locals, repositories())
  const response = await next()
  // Mantine's server-rendered style attributes can't be hashed; a hash in style-src would void 'unsafe-inline'.
  const policy = response.headers.get('content-security-policy')
  if (policy)
    response.headers.set(
      'content-security-policy',
      policy.replace(/style-src [^;]*/, "style-src 'self' 'unsafe-inline'"),
    )
  response.headers.set('x-content-type-options', 'nosniff')
  if (url.pathname.startsWith('/api/') && !response.headers.has('cache-control'))
    response.headers.set('cache-control', 'no-store')
  return response
})
