/** At the border of every request: what is turned away before anything looks at it. */
import { MOST_NOTEBOOK_BYTES, megabytes } from '@nestling/formats/file'
import type { Problem } from '../../contracts/problem.ts'

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])
const MOST_BODY_BYTES = 64 * 1024
/** Whole notebooks are larger, and may come piece by piece: these routes count for themselves. */
const LARGE = /^\/api\/notebook\/(preview|apply)$/
/** All of 127.0.0.0/8 is this machine, and `::1`, with brackets where a port follows. */
export const isLoopback = (host: string): boolean => /^(localhost|127(\.\d{1,3}){3}|\[?::1\]?)$/i.test(host)

type Environment = Readonly<Record<string, string | undefined>>

/** `HOST`, or the loopback; an empty variable is no choice. */
export const listeningHost = (environment: Environment): string => environment['HOST'] || '127.0.0.1'

/**
 * A page elsewhere whose name was made to point here (its requests look like our own) is turned away by its name. Who
 * sets HOST to another address opens Nestling to that network by intent.
 */
const isOurs = (host: string, environment: Environment): boolean =>
  !isLoopback(listeningHost(environment)) || isLoopback(host.replace(/:\d+$/, ''))

const hostOf = (origin: string): string | undefined => (URL.canParse(origin) ? new URL(origin).host : undefined)

/** What a page of another origin asks for makes the server work: only following a link to a page of ours is let in. */
function comesFromElsewhere(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site')
  if (site !== 'cross-site' && site !== 'same-site') return false
  const isLink = request.headers.get('sec-fetch-mode') === 'navigate' && READS.has(request.method)
  return !isLink || new URL(request.url).pathname.startsWith('/api/')
}

export interface Refusal extends Problem {
  readonly status: number
  /** The methods that are served, where it was another. */
  readonly allow?: string
}

/** Why a request is turned away: writes must be JSON, from our own origin and of moderate size. */
export function refusalOf(request: Request, environment: Environment): Refusal | undefined {
  const host = request.headers.get('host') ?? new URL(request.url).host
  const refused = (status: number, field: string, error: string, expected: string): Refusal => ({
    status,
    error,
    field,
    at: 0,
    expected,
  })
  if (!isOurs(host, environment))
    return refused(
      403,
      'host',
      `Nestling answers at 127.0.0.1 or localhost, not at ${host.slice(0, 60)}; set HOST to open it to others`,
      '127.0.0.1 or localhost',
    )
  if (comesFromElsewhere(request))
    return refused(
      403,
      'sec-fetch-site',
      'another page may link to Nestling, but not use it',
      'a request of its own pages',
    )
  if (READS.has(request.method)) return undefined
  // A page answers who reads it, and nobody else.
  const { pathname } = new URL(request.url)
  if (!pathname.startsWith('/api/'))
    return {
      ...refused(405, 'method', `${pathname} knows no ${request.method}; expected GET, HEAD`, 'GET, HEAD'),
      allow: 'GET, HEAD',
    }
  const type = request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase()
  if (type !== 'application/json')
    return refused(415, 'content-type', 'writes are JSON; expected content-type application/json', 'application/json')
  const origin = request.headers.get('origin')
  if (origin !== null && hostOf(origin) !== host)
    return refused(403, 'origin', 'writes come from the application itself; expected its own origin', `http://${host}`)
  const isLarge = LARGE.test(new URL(request.url).pathname)
  const length = request.headers.get('content-length')
  // A body of unknown length could go on for ever; DELETE and empty posts have none.
  if (!isLarge && length === null && request.headers.has('transfer-encoding'))
    return refused(
      411,
      'content-length',
      'the length of the request is missing; expected content-length',
      'the length of the body in bytes',
    )
  const most = isLarge ? MOST_NOTEBOOK_BYTES : MOST_BODY_BYTES
  if (Number(length ?? 0) > most)
    return refused(
      413,
      'body',
      `the request is too large; expected at most ${isLarge ? megabytes(most) : '64 KB'}`,
      `at most ${most} bytes`,
    )
  return undefined
}
