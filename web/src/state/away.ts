/**
 * What could not be sent waits in the browser's own storage, over reloads and pages, and is sent when the server is back:
 * after a pause, when the page is looked at again, and when the machine is on a network again.
 */
import { atom } from 'nanostores'
import { tell } from './notices.ts'

/** No answer, or one that says that it could not be kept now: full disk, busy or stopped. What is refused is something else. */
export const isAway = ({ status }: { readonly status: number }): boolean => status === 0 || status >= 500

/** Told once for each kind, when the first of it waits. */
export const WAITS = 'The server does not keep it now. It waits in this browser and is sent when the server is back.'

/** How many changes wait, of all kinds. */
export const $waitingHere = atom(0)
const counts = new Map<string, number>()

export interface Waiting<Value> {
  readonly read: () => Value | undefined
  /** `undefined`: nothing waits any more. `count`: so many changes are in it. */
  readonly write: (value: Value | undefined, count?: number) => void
  /** So many are in it now: another page has written it. */
  readonly counted: (count: number) => void
}

/** Without storage (a private window that refuses it, or a full one) it waits in the page. */
export function waitingUnder<Value>(name: string): Waiting<Value> {
  const key = `nestling.waiting.${name}`
  let here: Value | undefined
  const counted = (count: number) => {
    counts.set(name, count)
    $waitingHere.set([...counts.values()].reduce((sum, one) => sum + one, 0))
  }
  return {
    counted,
    read: () => {
      try {
        const text = localStorage.getItem(key)
        if (text !== null) return JSON.parse(text) as Value
      } catch {
        // What the page holds is all there is.
      }
      return here
    },
    write: (value, count = 1) => {
      here = value
      counted(value === undefined ? 0 : count)
      try {
        if (value === undefined) localStorage.removeItem(key)
        else localStorage.setItem(key, JSON.stringify(value))
      } catch {
        // The page holds it.
      }
    },
  }
}

const PAUSES_MS = [2000, 5000, 10_000, 30_000] as const
/** Sends what waits of one kind. @returns Whether the server was there. */
export type Sender = () => Promise<boolean>
const senders: Sender[] = []
let timer: ReturnType<typeof setTimeout> | undefined
let failed = 0
let sending: Promise<void> | undefined

export const joinSenders = (sender: Sender): void => void senders.push(sender)

/** Later, as something waits. */
export function sendLater(): void {
  clearTimeout(timer)
  timer = setTimeout(() => void sendAll(), PAUSES_MS[Math.min(failed, PAUSES_MS.length - 1)])
}

/** One page of the browser sends at a time: what two of them see waiting is sent once. */
async function alone(send: () => Promise<void>): Promise<void> {
  if (typeof navigator !== 'undefined' && 'locks' in navigator) await navigator.locks.request('nestling.waiting', send)
  else await send()
}

/** Now: everything that waits, one kind after another. */
export function sendAll(): Promise<void> {
  sending ??= alone(async () => {
    clearTimeout(timer)
    for (const send of senders)
      if (!(await send())) {
        failed++
        return sendLater()
      }
    failed = 0
    if ($waitingHere.get() === 0) tell.hide('waits')
  }).finally(() => {
    sending = undefined
  })
  return sending
}

/** When the page is looked at again, comes back, or is on a network again. */
export function sendWhenBack(): () => void {
  const now = () => {
    if (document.visibilityState === 'visible') void sendAll()
  }
  const events = ['focus', 'online', 'pageshow'] as const
  for (const event of events) window.addEventListener(event, now)
  document.addEventListener('visibilitychange', now)
  void sendAll()
  return () => {
    for (const event of events) window.removeEventListener(event, now)
    document.removeEventListener('visibilitychange', now)
  }
}
