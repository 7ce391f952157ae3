import { defineMiddleware } from 'astro:middleware'
import { isMainThread } from 'node:worker_threads'
import { oftenAsked, pageFor } from './data/pageData.ts'
import { repositories } from './data/repositories.ts'
import { storageProblem } from './data/storageProblem.ts'
import { afterOthers } from './data/turns.ts'
import { refusalOf } from './pages/api/_border.ts'
import { unknownMethod } from './pages/api/_methods.ts'
import { problem } from './pages/api/_respond.ts'
import { startThreadsSoon } from './pages/api/_work.ts'

let often: ReturnType<typeof oftenAsked> | undefined

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS'])

/**
 * Around every request: strangers and oversized writes are turned away, what the disk or the database could not do is
 * told, a method that an address does not know is answered with those that it does.
 */
export const onRequest = defineMiddleware(async (context, next) => {
  const { request, url } = context
  const refused = refusalOf(request, process.env)
  if (refused) {
    const answer = problem(refused.status, refused)
    if (refused.allow !== undefined) answer.headers.set('allow', refused.allow)
    return answer
  }
  let response: Response
  try {
    const kept = repositories()
    often ??= oftenAsked(kept)
    const { page, contents } = often
    const cookies = request.headers.get('cookie') ?? ''
    Object.assign(context.locals, kept, { contents, page: () => pageFor(cookies, page()) })
    if (!READS.has(request.method)) await afterOthers()
    response = await next()
    if (isMainThread) startThreadsSoon()
    if (response.status === 404 && url.pathname.startsWith('/api/')) response = await unknownMethod(context, response)
  } catch (error) {
    const told = storageProblem(error)
    if (told === undefined) throw error
    response = problem(told.status, told)
  }
  // A page is worked out in pieces, each of which would be compressed and sent by itself, waiting for its turn every time.
  if (/^text\/html/.test(response.headers.get('content-type') ?? '')) {
    const { status, headers } = response
    response = new Response(await response.text(), { status, headers })
  }
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
