import { defineMiddleware } from 'astro:middleware'
import { repositories } from './data/repositories.ts'
import { problem } from './pages/api/_respond.ts'

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])
const MOST_BODY_BYTES = 64 * 1024

/**
 * At the border of every request: writes must be JSON, from our own origin and of moderate size; every answer
 * carries the security headers. Astro's own check covers form posts only, so JSON is checked here.
 */
export const onRequest = defineMiddleware(async (context, next) => {
  const { request, url } = context
  if (!READS.has(request.method)) {
    const type = request.headers.get('content-type')?.split(';')[0]?.trim()
    if (type !== 'application/json')
      return problem(415, {
        error: 'writes are JSON; expected content-type application/json',
        field: 'content-type',
        expected: 'application/json',
      })
    const origin = request.headers.get('origin')
    if (origin !== null && origin !== url.origin)
      return problem(403, {
        error: 'writes come from the application itself; expected its own origin',
        field: 'origin',
        expected: url.origin,
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
