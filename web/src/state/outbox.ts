/**
 * What is kept in the Book: sent at once, or, while the server is away, later, in the order in which it was done.
 *   Keeping ─keepOrWait→ kept | refused | waits in the browser ─sendAll→ kept | refused | against another page's: chosen
 */
import { atom } from 'nanostores'
import { canonical } from '../contracts/canonical.ts'
import { isAway, joinSenders, sendAll, sendLater, WAITS, waitingUnder } from './away.ts'
import { call, type Reply } from './http.ts'
import { newId } from './ids.ts'
import { tell } from './notices.ts'
import { hearOthers, tellOthers } from './otherPages.ts'
import { inWindow, keepInWindow } from './windowStorage.ts'

/** A request as data: it outlives its page, and any page can send it. */
export interface Keeping {
  readonly method: 'POST' | 'PUT'
  readonly path: string
  readonly body: Readonly<Record<string, unknown>>
  /** What it is called: `Slow Ferry`. */
  readonly name: string
  /** A new thing: a list, newest first, in which it would be if only the answer was lost. */
  readonly list?: string
  /**
   * A change of which only a part is known here: these fields stay as they are there. With a version it goes over that one
   * only, without one over whatever is there.
   */
  readonly overNewest?: readonly string[]
  /** A new thing that goes on changing while it waits: what comes later under the same word takes its place. */
  readonly as?: string
}
interface Waiting extends Keeping {
  /** Another one for every change, so that what was changed while it was sent is told from what was. */
  readonly id: string
  /** When it was asked for, ISO 8601. */
  readonly since: string
}

const waiting = waitingUnder<readonly Waiting[]>('keeps')
const allWaiting = (): readonly Waiting[] => waiting.read() ?? []
const write = (all: readonly Waiting[]): void => waiting.write(all.length === 0 ? undefined : all, all.length)

export interface Later {
  readonly path: string
  readonly value: unknown
  /** The word of a new thing under which it waited. */
  readonly as?: string | undefined
}
/** What was kept later than it was asked for: pages that show it look again. */
export const $keptLater = atom<Later | undefined>(undefined)
// Another page of this browser has sent what waits for all of them.
hearOthers<Later>('later', (later) => {
  waiting.counted(allWaiting().length)
  landed(later.path, later.value)
  $keptLater.set(later)
})

const versions = new Map<string, number>()
function landed(path: string, value: unknown): void {
  const { version } = (value ?? {}) as Versioned
  if (version !== undefined) versions.set(path, version)
}
/** The version that the player has seen, for what is about to be deleted: their own last change of it is sent first. */
export async function seenVersion(path: string, version: number): Promise<number> {
  if (waitingFor({ method: 'PUT', path })) await sendAll()
  return Math.max(version, versions.get(path) ?? 0, landedSinceAsked<Versioned>(path)?.version ?? 0)
}

interface Versioned {
  readonly version?: number
}
interface Landed extends Later {
  /** ms since 1970. */
  readonly at: number
}
/** What the page before this one has kept while this one was on its way here: it may be drawn from what was before that. */
export function landedSinceAsked<Value>(path: string): Value | undefined {
  const last = inWindow<Landed>('landed')
  return last?.path === path && last.at >= performance.timeOrigin ? (last.value as Value) : undefined
}

/** The reply says `waits` when it is kept in the browser. */
export async function keepOrWait<Value>(keeping: Keeping): Promise<Reply<Value>> {
  const since = new Date().toISOString()
  const reply = waitingFor(keeping) ? undefined : ((await sent(keeping)) as Reply<Value>)
  if (reply?.ok && keeping.method === 'PUT')
    keepInWindow('landed', { path: keeping.path, value: reply.value, at: Date.now() } satisfies Landed)
  if (reply && (reply.ok || !isAway(reply))) return reply
  letWait(keeping, since)
  sendLater()
  return { ok: false, status: reply?.status ?? 0, message: WAITS, waits: true }
}

const waitingFor = ({ method, path, as }: Pick<Keeping, 'method' | 'path' | 'as'>): Waiting | undefined =>
  allWaiting().find((one) => (as === undefined ? method === 'PUT' && one.path === path : one.as === as))

/** What waited under a word is wanted no longer. */
export const waitNoLonger = (as: string): void => write(allWaiting().filter((one) => one.as !== as))

/** A later change of the same thing takes the place of the one that waits, over the version that that one has seen. */
export function letWait(keeping: Keeping, since = new Date().toISOString()): void {
  const before = waitingFor(keeping)
  const body = before?.method === 'PUT' ? { ...keeping.body, version: before.body['version'] } : keeping.body
  const rest = allWaiting().filter(({ id }) => id !== before?.id)
  write([...rest, { ...keeping, id: newId(), body, since: before?.since ?? since }])
}

/** It waits no longer; what was changed meanwhile goes over the version that it has made. */
function settle(one: Waiting, made: unknown): void {
  const { id, version } = (made ?? {}) as Versioned & { readonly id?: number }
  landed(one.path, made)
  write(
    allWaiting().flatMap((other) => {
      if (other.id === one.id) return []
      if (one.as !== undefined && other.as === one.as && id !== undefined) {
        const { as: _, ...rest } = other
        return { ...rest, method: 'PUT' as const, path: `${one.path}/${id}`, body: { ...other.body, version } }
      }
      const isLater = one.method === 'PUT' && other.path === one.path && version !== undefined
      return isLater ? { ...other, body: { ...other.body, version } } : other
    }),
  )
}

/** Another page of this browser has made it, of what waited before: nobody else has changed anything. */
const isOwn = (path: string, now: unknown): boolean => {
  const { version } = (now ?? {}) as Versioned
  return version !== undefined && versions.get(path) === version
}

/** Pages see what the others write into the browser's storage a moment later: it goes over the version that was made meanwhile. */
function goOver(one: Waiting, now: unknown): void {
  const { version } = now as Versioned
  write(allWaiting().map((other) => (other.id === one.id ? { ...other, body: { ...other.body, version } } : other)))
  sendLater()
}

async function sent(keeping: Keeping): Promise<Reply<unknown>> {
  const { method, path, body, overNewest } = keeping
  if (!overNewest) return call(method, path, body)
  const there = await call<Readonly<Record<string, unknown>>>('GET', path)
  if (there.ok) {
    const seen = body['version']
    // Its own answer was lost, or it is another's.
    if (seen !== undefined && seen !== there.value['version']) {
      if (holds(there.value, body)) return there
      return { ok: false, status: 409, message: 'It was changed elsewhere meanwhile.', now: there.value }
    }
    const stays = Object.fromEntries([...overNewest, 'version'].map((field) => [field, there.value[field]]))
    return call(method, path, { ...body, ...stays })
  }
  // It was deleted meanwhile: what is to be kept is kept anew.
  const { version: _, ...anew } = body
  return there.status === 404 ? call('POST', path.replace(/\/\d+$/, ''), anew) : there
}

function tellLater(later: Later): void {
  $keptLater.set(later)
  tellOthers('later', later)
}

joinSenders(async () => {
  // What an earlier page left is counted here as well.
  waiting.counted(allWaiting().length)
  for (const one of allWaiting()) {
    if (asking.has(one.id)) continue
    const isThere = await isThereAlready(one)
    if (isThere === undefined) return false
    const reply = isThere ? undefined : await sent(one)
    if (!reply || reply.ok) {
      settle(one, reply?.value)
      tell.done(`Saved to Book: ${one.name}`)
      if (reply) tellLater({ path: one.path, value: reply.value, as: one.as })
    } else if (isAway(reply)) return false
    // A last change of a page that was left has often landed by itself; this page may have been drawn before it did.
    else if (holds(reply.now, one.body)) {
      settle(one, reply.now)
      tellLater({ path: one.path, value: reply.now })
    } else if (isOwn(one.path, reply.now)) goOver(one, reply.now)
    else if (reply.now !== undefined) ask(one, reply.now)
    else {
      settle(one, undefined)
      tell.problem(`Not kept: ${one.name}`, reply.message)
    }
  }
  return true
})

/** The server may have kept it and its answer was lost: then it is not kept a second time. `undefined`: no answer. */
async function isThereAlready({ list, body, since }: Waiting): Promise<boolean | undefined> {
  if (list === undefined) return false
  const reply = await call<object>('GET', list)
  if (!reply.ok) return isAway(reply) ? undefined : false
  const items = Object.values(reply.value).find((value): value is readonly object[] => Array.isArray(value)) ?? []
  return items.some((item) => String((item as { readonly createdAt?: string }).createdAt) >= since && holds(item, body))
}

/** Whether what is there says the same as what was to be kept; the version aside. */
function holds(there: unknown, body: Keeping['body']): boolean {
  if (typeof there !== 'object' || there === null) return false
  const own = there as Readonly<Record<string, unknown>>
  return Object.entries(body).every(
    ([field, value]) => field === 'version' || !(field in own) || canonical(own[field]) === canonical(value),
  )
}

/** Those that the player is asked about; until then they wait, over a reload too, which asks again. */
const asking = new Set<string>()

/** Changed on another page meanwhile, in a way that can't be joined: both are told, and the player chooses. */
function ask(one: Waiting, now: unknown): void {
  asking.add(one.id)
  tell.hide('waits')
  tell.choice(`${one.name} was changed on another page meanwhile. Here: ${sizeOf(one.body)}. There: ${sizeOf(now)}.`, [
    [
      'Keep mine',
      () => {
        const { version } = now as Versioned
        // With what was changed here while nobody chose.
        letWait(waitingFor(one) ?? one)
        settle(one, { version })
        void sendAll()
      },
    ],
    ['Leave it', () => settle(one, undefined)],
  ])
}

const PARTS = ['blocks', 'chords', 'steps'] as const
/** `4 blocks`; the name where a thing has no parts. */
function sizeOf(thing: unknown): string {
  const own = thing as Readonly<Record<string, unknown>>
  const part = PARTS.find((name) => Array.isArray(own[name]))
  const title = String(own['title'] ?? own['name'] ?? '')
  return part ? `${title}, ${(own[part] as readonly unknown[]).length} ${part}` : title
}
