/**
 * What is kept in the Book: sent at once, or, while the server is away, later, in the order in which it was done.
 *   Keeping ─keepOrWait→ kept | refused | waits in the browser ─sendAll→ kept | refused | against another page's: chosen
 */
import { atom } from 'nanostores'
import { canonical } from '../contracts/canonical.ts'
import { isAway, joinSenders, sendLater, WAITS, waitingUnder } from './away.ts'
import { call, type Reply } from './http.ts'
import { tell } from './notices.ts'
import { hearOthers, tellOthers } from './otherPages.ts'

/** A request as data: it outlives its page, and any page can send it. */
export interface Keeping {
  readonly method: 'POST' | 'PUT'
  readonly path: string
  readonly body: Readonly<Record<string, unknown>>
  /** What it is called: `Slow Ferry`. */
  readonly name: string
  /** A new thing: a list, newest first, in which it would be if only the answer was lost. */
  readonly list?: string
  /** A change that goes over whatever is there: its version is asked for when it is sent, and these fields of it stay. */
  readonly overNewest?: readonly string[]
}
interface Waiting extends Keeping {
  /** When it was asked for, ISO 8601. */
  readonly since: string
}

const waiting = waitingUnder<readonly Waiting[]>('keeps')
const allWaiting = (): readonly Waiting[] => waiting.read() ?? []
const write = (all: readonly Waiting[]): void => waiting.write(all.length === 0 ? undefined : all, all.length)
const isSame = (a: Waiting, b: Waiting): boolean => a.path === b.path && a.since === b.since && a.name === b.name

export interface Later {
  readonly path: string
  readonly value: unknown
}
/** What was kept later than it was asked for: pages that show it look again. */
export const $keptLater = atom<Later | undefined>(undefined)
// Another page of this browser has sent what waits for all of them.
hearOthers<Later>('later', (later) => {
  waiting.counted(allWaiting().length)
  $keptLater.set(later)
})

/** The reply says `waits` when it is kept in the browser. */
export async function keepOrWait<Value>(keeping: Keeping): Promise<Reply<Value>> {
  const since = new Date().toISOString()
  const reply = waitingFor(keeping) ? undefined : ((await sent(keeping)) as Reply<Value>)
  if (reply && (reply.ok || !isAway(reply))) return reply
  letWait(keeping, since)
  sendLater()
  return { ok: false, status: reply?.status ?? 0, message: WAITS, waits: true }
}

const waitingFor = ({ method, path }: Keeping): Waiting | undefined =>
  method === 'PUT' ? allWaiting().find((one) => one.path === path) : undefined

/** A later change of the same thing takes the place of the one that waits, over the version that that one has seen. */
export function letWait(keeping: Keeping, since = new Date().toISOString()): void {
  const before = waitingFor(keeping)
  const body = before ? { ...keeping.body, version: before.body['version'] } : keeping.body
  const rest = allWaiting().filter((one) => !(before && isSame(one, before)))
  write([...rest, { ...keeping, body, since: before?.since ?? since }])
}

async function sent(keeping: Keeping): Promise<Reply<unknown>> {
  const { method, path, body, overNewest } = keeping
  if (!overNewest) return call(method, path, body)
  const there = await call<Readonly<Record<string, unknown>>>('GET', path)
  if (there.ok) {
    const stays = Object.fromEntries([...overNewest, 'version'].map((field) => [field, there.value[field]]))
    return call(method, path, { ...body, ...stays })
  }
  // It was deleted meanwhile: what is to be kept is kept anew.
  return there.status === 404 ? call('POST', path.replace(/\/\d+$/, ''), body) : there
}

joinSenders(async () => {
  // What an earlier page left is counted here as well.
  waiting.counted(allWaiting().length)
  for (const one of allWaiting()) {
    const isThere = await isThereAlready(one)
    if (isThere === undefined) return false
    const reply = isThere ? undefined : await sent(one)
    if (reply && !reply.ok && isAway(reply)) return false
    write(allWaiting().filter((other) => !isSame(other, one)))
    tell.hide('waits')
    if (reply?.ok) {
      $keptLater.set({ path: one.path, value: reply.value })
      tellOthers('later', $keptLater.get())
    }
    // A last change of a page that was left has often landed by itself.
    if (reply && !reply.ok && holds(reply.now, one.body)) continue
    if (!reply || reply.ok) tell.done(`Saved to Book: ${one.name}`)
    else if (reply.now === undefined) tell.problem(`Not kept: ${one.name}`, reply.message)
    else ask(one, reply.now)
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

/** Changed on another page meanwhile, in a way that can't be joined: both are told, and the player chooses. */
function ask(one: Waiting, now: unknown): void {
  const { version } = now as { readonly version?: number }
  tell.choice(`${one.name} was changed on another page meanwhile. Here: ${sizeOf(one.body)}. There: ${sizeOf(now)}.`, [
    ['Keep mine', () => void keepOrWait({ ...one, body: { ...one.body, version } }).then(told)],
    ['Leave it', () => undefined],
  ])
  const told = (reply: Reply<unknown>) =>
    reply.ok ? tell.done(`Saved to Book: ${one.name}`) : tell.problem(`Not kept: ${one.name}`, reply.message)
}

const PARTS = ['blocks', 'chords', 'steps'] as const
/** `4 blocks`; the name where a thing has no parts. */
function sizeOf(thing: unknown): string {
  const own = thing as Readonly<Record<string, unknown>>
  const part = PARTS.find((name) => Array.isArray(own[name]))
  const title = String(own['title'] ?? own['name'] ?? '')
  return part ? `${title}, ${(own[part] as readonly unknown[]).length} ${part}` : title
}
