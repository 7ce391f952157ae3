/**
 * Attempts on their way to the database. Each is put into the browser's own storage before it is sent and taken out when
 * the server has kept it: a page that is closed, or a server that is down, loses nothing. Sent twice it is kept once.
 */
import { atom } from 'nanostores'
import type { AttemptDraft, KeptAttemptAnswer } from '../contracts/practice.ts'
import { isAway, joinSenders, sendLater } from './away.ts'
import { call, type Reply } from './http.ts'

const PREFIX = 'nestling.attempt.'
/** How many wait because they could not be sent. */
export const $waiting = atom(0)
/** Without storage (a private window that refuses it) they wait in the page. */
const inPage = new Map<string, AttemptDraft>()

function put(draft: AttemptDraft): void {
  inPage.set(draft.id, draft)
  try {
    localStorage.setItem(PREFIX + draft.id, JSON.stringify(draft))
  } catch {
    // Full or refused: the page holds it.
  }
}
function take(id: string): void {
  inPage.delete(id)
  try {
    localStorage.removeItem(PREFIX + id)
  } catch {
    // It was never there.
  }
}
function waiting(): readonly AttemptDraft[] {
  const found = new Map(inPage)
  try {
    for (let index = 0; index < localStorage.length; index++) {
      const key = localStorage.key(index)
      if (!key?.startsWith(PREFIX)) continue
      const draft = JSON.parse(localStorage.getItem(key) ?? 'null') as AttemptDraft | null
      if (draft) found.set(draft.id, draft)
    }
  } catch {
    // What the page holds is all there is.
  }
  return [...found.values()]
}

/** Keeps an attempt; a refusal by the server is told, a server that is away is tried again. */
export async function keepAttempt(draft: AttemptDraft): Promise<Reply<KeptAttemptAnswer>> {
  put(draft)
  const reply = await call<KeptAttemptAnswer>('POST', '/api/practice/attempts', draft)
  settle(draft, reply)
  return reply
}

/** Sends what an earlier page could not. */
export async function sendWaiting(): Promise<boolean> {
  for (const draft of waiting()) {
    const reply = await call<KeptAttemptAnswer>('POST', '/api/practice/attempts', draft)
    settle(draft, reply)
    if (!reply.ok && isAway(reply)) return false
  }
  return true
}
joinSenders(sendWaiting)

function settle(draft: AttemptDraft, reply: Reply<KeptAttemptAnswer>): void {
  // What the server refuses will be refused again: it does not wait.
  if (reply.ok || !isAway(reply)) take(draft.id)
  else sendLater()
  $waiting.set(waiting().length)
}
