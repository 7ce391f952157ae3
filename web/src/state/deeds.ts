/**
 * What was done to things that are kept (deleted, edited, read in): each with the request that takes it back, so that every
 * page of this window can, not only the one that did it.
 */
import { atom } from 'nanostores'
import type { DeletedThing } from '../contracts/book.ts'
import { call, type Method, type Reply } from './http.ts'
import { newId } from './ids.ts'
import { tell } from './notices.ts'
import { $keptLater } from './outbox.ts'
import { refreshSession } from './session.ts'
import { joinUndo, stamp } from './undoOrder.ts'
import { inWindow, keepInWindow } from './windowStorage.ts'

/** A request, plain, that outlives its page. */
export interface Undoing {
  readonly method: Method
  readonly path: string
  /** With the version that the deed has made, where it made one. */
  readonly body?: object
}
/** The ways back of what is deleted, and of a change of many things. */
export const restoring = (kind: DeletedThing['kind'], id: number): Undoing => ({
  method: 'POST',
  path: `/api/${kind}s/${id}/restore`,
})
export const undoingChange = (id: number): Undoing => ({ method: 'POST', path: `/api/changes/${id}/undo` })

interface Deed {
  readonly id: string
  /** What was done: `Deleted: Dm9 x5355x`. */
  readonly words: string
  /** When: see `stamp`. */
  readonly at: number
  readonly undo: Undoing
}

const PAST_KEY = 'past.deeds'
const MOST_KEPT = 50

/** The newest last; those of the window's other pages are there once it was opened. */
let deeds: readonly Deed[] = []
let isOpen = false
const $past = atom({ canUndo: false, canRedo: false })
/** Counts: a page that shows what is kept looks again when it changes. */
export const $takenBack = atom(0)

function remember(now: readonly Deed[]): void {
  deeds = now.slice(-MOST_KEPT)
  keepInWindow(PAST_KEY, deeds)
  $past.set({ canUndo: deeds.length > 0, canRedo: false })
}

/** What this window did before comes back, to be undone from here too. */
export function openDeeds(): void {
  if (isOpen) return
  isOpen = true
  const kept = inWindow<readonly Deed[]>(PAST_KEY)
  if (Array.isArray(kept)) remember([...kept, ...deeds])
}

/** The page comes back as it was left; what other pages of the window did meanwhile is in the window's storage. */
export function lookAtDeedsAgain(): void {
  const kept = inWindow<readonly Deed[]>(PAST_KEY)
  if (isOpen && Array.isArray(kept)) remember(kept)
}

/** Something was done: told with the way back, which waits; the key of undo takes it back in its turn. */
export function did(words: string, undo: Undoing): void {
  const id = newId()
  remember([...deeds, { id, words, at: stamp(), undo }])
  tell.undoable(words, () => void takeBack(id), id)
}

/** Something was done before, and can now be undone by its own page no longer. It goes to its place in the order. */
export const leaveDeed = (words: string, undo: Undoing, at: number): void =>
  remember([...deeds, { id: newId(), words, at, undo }].toSorted((a, b) => a.at - b.at))

/** One after another: the next goes on from the version that the one before it has made. */
let turn: Promise<void> = Promise.resolve()
function takeBack(id: string): Promise<void> {
  const deed = deeds.find((one) => one.id === id)
  tell.hide(id)
  if (!deed) return turn
  remember(deeds.filter((one) => one !== deed))
  turn = turn.then(() => sendBack(deed))
  return turn
}

const lastMade = new Map<string, { readonly from: number; readonly made: number }>()

async function sendBack(deed: Deed): Promise<void> {
  const last = lastMade.get(thingOf(deed.undo.path))
  const undo = last && versionIn(deed.undo) === last.from - 1 ? over(deed.undo, last.made) : deed.undo
  const { method, path, body } = undo
  const reply = await call<unknown>(method, path, body)
  if (reply.ok) {
    remember(carriedOn(undo, reply))
    // A page that has it open goes on from there.
    if (method === 'PUT') $keptLater.set({ path, value: reply.value })
    tell.done(undoneWords(deed))
  } else {
    // While the server is away it can be taken back later; what was changed since by somebody else can't.
    if (reply.status === 0) remember([...deeds, deed].toSorted((a, b) => a.at - b.at))
    tell.problem('Not taken back', reply.message)
  }
  if (/^\/api\/(instruments|tunings)\b/.test(path)) await refreshSession()
  $takenBack.set($takenBack.get() + 1)
}

/** `Deleted: Dm9` as it is told when it is there again. */
const undoneWords = ({ words }: Deed): string =>
  `Undone: ${words.charAt(0).toLowerCase()}${words.slice(1).replace(': ', ' ')}`

const versionOf = (value: unknown): number | undefined => {
  const version = (value as { readonly version?: unknown } | undefined)?.version
  return typeof version === 'number' ? version : undefined
}
const thingOf = (path: string): string => path.replace(/\/restore$|\?.*$/, '')
const IN_PATH = /\bversion=(\d+)/
const versionIn = ({ path, body }: Undoing): number | undefined =>
  versionOf(body) ?? (IN_PATH.test(path) ? Number(IN_PATH.exec(path)?.[1]) : undefined)
const over = ({ path, body, ...rest }: Undoing, version: number): Undoing => ({
  ...rest,
  path: path.replace(IN_PATH, `version=${version}`),
  ...(body && { body: { ...body, version } }),
})

/** Taking back is a change too: what was done to the same thing just before goes on from the version that it made. */
function carriedOn(undo: Undoing, reply: Reply<unknown> & { readonly ok: true }): readonly Deed[] {
  const made = versionOf(reply.value)
  const from = versionOf(undo.body) ?? made
  if (made === undefined || from === undefined) return deeds
  lastMade.set(thingOf(undo.path), { from, made })
  return deeds.map((deed) =>
    thingOf(deed.undo.path) === thingOf(undo.path) && versionIn(deed.undo) === from - 1
      ? { ...deed, undo: over(deed.undo, made) }
      : deed,
  )
}

const takeLastBack = (): Promise<void> => {
  const last = deeds.at(-1)
  return last ? takeBack(last.id) : Promise.resolve()
}
joinUndo({ $past, at: () => deeds.at(-1)?.at ?? 0, undo: takeLastBack, redo: () => undefined })
