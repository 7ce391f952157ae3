/**
 * Who is let in where Nestling listens beyond this machine: whoever knows the passphrase, as a session of the browser or as a
 * bearer token of a script; by a name that is on the list.
 */
import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { hostname, networkInterfaces } from 'node:os'
import { promisify } from 'node:util'

/** Shorter ones are guessed. */
export const LEAST_PASSPHRASE = 12
const SESSION_S = 30 * 24 * 3600
const MOST_SESSIONS = 1000
/** So many wrong tries from one address in so long; then it waits. */
export const MOST_TRIES = 5
const WITHIN_MS = 15 * 60_000
const MOST_ADDRESSES = 10_000
const COOKIE = 'nestling'
const KEY_BYTES = 32
/** Scrypt: 64 MB and about a fifth of a second for each try. */
const COST = { N: 2 ** 16, r: 8, p: 1, maxmem: 128 * 2 ** 20 }

const slowKey = promisify<string, Buffer, number, typeof COST, Buffer>(scrypt)
const digest = (text: string): string => createHash('sha256').update(text).digest('base64url')

export type Entered =
  | { readonly kind: 'in'; readonly cookie: string }
  | { readonly kind: 'wrong'; readonly left: number }
  | { readonly kind: 'wait'; readonly seconds: number }

export interface Guard {
  /** @param from The address that tries. @param secure Whether the browser came over TLS. */
  readonly enter: (passphrase: string, from: string, secure: boolean) => Promise<Entered>
  /** Whether a request may go on, by its session or its token. */
  readonly admits: (
    headers: { readonly cookie?: string | undefined; readonly authorization?: string | undefined },
    from: string,
  ) => Promise<boolean>
  /** Ends the session of this browser, or every one. @returns The cookie that takes it out of the browser. */
  readonly leave: (cookie: string | undefined, everywhere: boolean) => string
}

const tokenIn = (cookie = ''): string | undefined =>
  cookie
    .split(/;\s*/)
    .find((one) => one.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1)

export async function createGuard(passphrase: string, now: () => number = Date.now): Promise<Guard> {
  const salt = randomBytes(16)
  const key = await slowKey(passphrase.normalize('NFC'), salt, KEY_BYTES, COST)
  /** Sessions by the digest of their token, with their end. */
  const sessions = new Map<string, number>()
  /** Tokens that were right: they need not be worked out again. */
  const known = new Set<string>()
  const tries = new Map<string, { readonly count: number; readonly since: number }>()

  const waits = (from: string): number => {
    const tried = tries.get(from)
    if (!tried || tried.count < MOST_TRIES) return 0
    return Math.max(0, tried.since + WITHIN_MS - now())
  }
  const wrong = (from: string): number => {
    const tried = tries.get(from)
    const isNew = !tried || now() - tried.since > WITHIN_MS
    const next = isNew ? { count: 1, since: now() } : { ...tried, count: tried.count + 1 }
    if (tries.size >= MOST_ADDRESSES) tries.clear()
    tries.set(from, next)
    return Math.max(0, MOST_TRIES - next.count)
  }
  const isRight = async (attempt: string): Promise<boolean> =>
    timingSafeEqual(key, await slowKey(attempt.normalize('NFC'), salt, KEY_BYTES, COST))

  return {
    async enter(attempt, from, secure) {
      const waiting = waits(from)
      if (waiting > 0) return { kind: 'wait', seconds: Math.ceil(waiting / 1000) }
      // Counted before the slow work: many tries at once are still so many.
      const left = wrong(from)
      if (!(await isRight(attempt))) return { kind: 'wrong', left }
      tries.delete(from)
      const token = randomBytes(32).toString('base64url')
      for (const [one, end] of sessions) if (end < now() || sessions.size >= MOST_SESSIONS) sessions.delete(one)
      sessions.set(digest(token), now() + SESSION_S * 1000)
      const flags = `HttpOnly; SameSite=Strict; Path=/; Max-Age=${SESSION_S}${secure ? '; Secure' : ''}`
      return { kind: 'in', cookie: `${COOKIE}=${token}; ${flags}` }
    },
    leave(cookie, everywhere) {
      if (everywhere) sessions.clear()
      else sessions.delete(digest(tokenIn(cookie) ?? ''))
      return `${COOKIE}=; HttpOnly; SameSite=Strict; Path=/; Max-Age=0`
    },
    async admits({ cookie = '', authorization = '' }, from) {
      const token = tokenIn(cookie)
      if (token !== undefined && (sessions.get(digest(token)) ?? 0) > now()) return true
      const bearer = /^Bearer (.{1,200})$/i.exec(authorization)?.[1]
      if (bearer === undefined) return false
      if (known.has(digest(bearer))) return true
      if (waits(from) > 0) return false
      wrong(from)
      if (!(await isRight(bearer))) return false
      tries.delete(from)
      known.add(digest(bearer))
      return true
    },
  }
}

/** The names by which it may be called: those that are given, or this machine's own name and addresses. */
export function hostsFor(given: string | undefined): ReadonlySet<string> {
  const listed = (given ?? '').split(/[\s,]+/).filter(Boolean)
  const own = [
    hostname(),
    'localhost',
    ...Object.values(networkInterfaces()).flatMap((addresses) =>
      (addresses ?? []).map(({ address, family }) =>
        family === 'IPv6' ? `[${address.replace(/%.*$/, '')}]` : address,
      ),
    ),
  ]
  return new Set((listed.length > 0 ? listed : own).map((host) => host.toLowerCase()))
}

export const isListed = (host: string | undefined, hosts: ReadonlySet<string>): boolean =>
  hosts.has((host ?? '').replace(/:\d+$/, '').toLowerCase())

/** Where to go on after entering: a place of our own only. */
export const placeAfter = (to: unknown): string =>
  typeof to === 'string' && /^\/(?![/\\])[^\r\n]{0,2000}$/.test(to) ? to : '/'
