/** Who plays, on what, with which habits: the same in every view, kept by the server. */

import type { SymbolStyle } from '@nestling/core/chord'
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import type { Player } from '@nestling/core/request'
import { atom, computed } from 'nanostores'
import { chosenIn, cookieOf } from '../contracts/chosenCookie.ts'
import type { KeptInstrument, OwnTuning } from '../contracts/instrument.ts'
import { changedSince, DEFAULT_SETTINGS, isSame, playerOf, type Settings } from '../contracts/settings.ts'
import { isAway, joinSenders, sendLater, WAITS, waitingUnder } from './away.ts'
import { call } from './http.ts'
import { tell } from './notices.ts'
import { hearOthers, tellOthers } from './otherPages.ts'

export interface Session {
  readonly settings: Settings
  readonly instruments: readonly KeptInstrument[]
  readonly instrument: KeptInstrument
  readonly tunings: readonly OwnTuning[]
}

const UNKEPT: KeptInstrument = { ...STANDARD_INSTRUMENT, id: 0, version: 0 }

export const sessionOf = (
  settings: Settings,
  instruments: readonly KeptInstrument[],
  tunings: readonly OwnTuning[],
): Session => ({
  settings,
  instruments,
  tunings,
  instrument: instruments.find((instrument) => instrument.id === settings.instrumentId) ?? instruments[0] ?? UNKEPT,
})

export const $session = atom<Session>(sessionOf(DEFAULT_SETTINGS, [], []))
hearOthers<Session>('session', ({ settings, instruments, tunings }) => {
  const here = $session.get()
  kept = settings
  $session.set(sessionOf(settings, alike(here.instruments, instruments), alike(here.tunings, tunings)))
})

/** What is here, when the other says the same: nothing is then searched anew. */
const alike = <Value>(here: Value, there: Value): Value =>
  JSON.stringify(here) === JSON.stringify(there) ? here : there

/** Shows what the server has kept, here and on the other open pages. */
export function showKept(session: Session): void {
  $session.set(session)
  tellOthers('session', session)
}

/** Instruments and tunings as the server has them now. What does not answer stays as it is shown. */
export async function refreshSession(): Promise<void> {
  const [kept, own] = await Promise.all([
    call<{ readonly instruments: readonly KeptInstrument[] }>('GET', '/api/instruments'),
    call<{ readonly tunings: readonly OwnTuning[] }>('GET', '/api/tunings'),
  ])
  const { settings, instruments, tunings } = $session.get()
  showKept(sessionOf(settings, kept.ok ? kept.value.instruments : instruments, own.ok ? own.value.tunings : tunings))
}

let lastAsked: readonly unknown[] = []
let lastPlayer: Player | undefined

/** The same object as long as nothing in it changes: a new volume must not have every shape searched again. */
/** How this player names notes and writes chord symbols. */
export const $style = computed(
  $session,
  ({ settings: { naming, symbols } }): SymbolStyle => ({ naming, school: symbols }),
)

export const $player = computed($session, ({ settings, instrument, tunings }): Player => {
  const { handComfortMm, leavingOut, thumb, withBassPlayer, manner, naming } = settings
  const asked = [handComfortMm, leavingOut, thumb, withBassPlayer, manner, naming, instrument, tunings]
  if (lastPlayer && asked.every((one, index) => one === lastAsked[index])) return lastPlayer
  lastAsked = asked
  lastPlayer = playerOf(settings, instrument, tunings)
  return lastPlayer
})

/** What could not be sent, with what it was changed from: that another has changed it meanwhile is known by it. */
interface Waiting {
  readonly chosen: Partial<Settings>
  readonly seen: Partial<Settings>
}
const waiting = waitingUnder<Waiting | Partial<Settings>>('settings')
/** An earlier version kept them without what they were changed from. */
function readWaiting(): Waiting | undefined {
  const left = waiting.read()
  return left === undefined || 'chosen' in left ? left : { chosen: left, seen: {} }
}
const writeWaiting = (left: Waiting): void => {
  const count = Object.keys(left.chosen).length
  waiting.write(count === 0 ? undefined : left, count)
}
/** Changed by another meanwhile: they wait until the player has chosen between both, over a reload too, which asks again. */
const asking = new Set<keyof Settings>()
/** As the server has them: what it refuses goes back to this. */
let kept: Settings = DEFAULT_SETTINGS
let queue: Promise<void> = Promise.resolve()

const show = (changes: Partial<Settings>): void => {
  const { settings, instruments, tunings } = $session.get()
  $session.set(sessionOf({ ...settings, ...changes }, instruments, tunings))
}
type Names = readonly string[]
const only = (settings: Partial<Settings>, is: (name: string) => boolean): Partial<Settings> =>
  Object.fromEntries(Object.entries(settings).filter(([name]) => is(name)))
const without = (settings: Partial<Settings>, names: Names) => only(settings, (name) => !names.includes(name))
const those = (settings: Partial<Settings>, names: Names) => only(settings, (name) => names.includes(name))

let unanswered: Partial<Settings> = {}
/** As the server gave them to this page, with what the page before had chosen and was not answered yet. */
export function openSession(session: Session, chosen: Partial<Settings> = {}): void {
  kept = session.settings
  unanswered = chosen
  const { settings, instruments, tunings } = session
  $session.set(sessionOf({ ...settings, ...chosen }, instruments, tunings))
}

/** In the browser, once: what an earlier page could not send is shown and sent. */
export function openWaitingSettings(): void {
  // The page before may have gone before it sent them, or before it could tell that they were refused.
  tellNextPage(() => ({}))
  if (Object.keys(unanswered).length > 0) void changeSettings(unanswered)
  const left = readWaiting()
  if (!left) return
  writeWaiting(left)
  show(left.chosen)
}
joinSenders(async () => {
  if (waiting.read() === undefined) return true
  return (await send({})) !== 'away'
})

/**
 * Shows a change at once. While the server is away it waits in the browser; what the server refuses goes back to what was
 * kept, unless it was changed again meanwhile, with the reason. Chosen now it holds, whatever another has chosen before;
 * what has waited is asked about where another has changed it meanwhile.
 */
export async function changeSettings(changes: Partial<Settings>): Promise<void> {
  show(changes)
  for (const name of Object.keys(changes)) asking.delete(name as keyof Settings)
  tellNextPage((told) => ({ ...told, ...changes }))
  await send(changes)
  tellNextPage((told) => only(told, (name) => !isSame(name as keyof Settings, told, changes)))
}

/** What is not answered yet: another page of this browser may have chosen as well. */
function tellNextPage(change: (told: Partial<Settings>) => Partial<Settings>): void {
  if (typeof document === 'undefined') return
  // biome-ignore lint/suspicious/noDocumentCookie: the store of cookies answers later, and not at all over a plain connection
  document.cookie = cookieOf(change(chosenIn(document.cookie) ?? {}))
}

/** One after another: a later change of the same setting is the later one for the server as well. */
function send(changes: Partial<Settings>): Promise<'sent' | 'away'> {
  const sent = queue.then(() => sendNow(changes))
  queue = sent.then(() => undefined)
  return sent
}

async function sendNow(changes: Partial<Settings>): Promise<'sent' | 'away'> {
  const left = readWaiting() ?? { chosen: {}, seen: {} }
  const asked = [...asking]
  const stays = { chosen: those(left.chosen, asked), seen: those(left.seen, asked) }
  const all = { ...without(left.chosen, asked), ...changes }
  const seen = without(left.seen, [...asked, ...Object.keys(changes)])
  if (Object.keys(all).length === 0) return 'sent'
  const body = Object.keys(seen).length === 0 ? all : { ...all, seen }
  const reply = await call<Settings>('PATCH', '/api/settings', body)
  if (reply.ok) {
    kept = { ...kept, ...all }
    writeWaiting(stays)
    tellOthers('session', $session.get())
    return 'sent'
  }
  if (isAway(reply)) {
    if (waiting.read() === undefined) tell.waits('The setting waits', WAITS)
    const before = those(kept, Object.keys(without(changes, Object.keys(left.chosen))))
    writeWaiting({ chosen: { ...left.chosen, ...changes }, seen: { ...left.seen, ...before } })
    sendLater()
    return 'away'
  }
  const now = reply.now as Settings | undefined
  const both = now === undefined ? [] : changedSince(now, seen, all)
  if (now !== undefined && both.length > 0) {
    kept = now
    ask(both, those(all, both), now)
    return sendNow(changes)
  }
  writeWaiting(stays)
  const shown = $session.get().settings
  const refused = (Object.keys(all) as (keyof Settings)[]).filter((name) => shown[name] === all[name])
  show(Object.fromEntries(refused.map((name) => [name, kept[name]])))
  tell.problem('Not kept', reply.message)
  return 'sent'
}

/** `wishedTempo`: wished tempo. */
const wordsFor = (name: string): string => name.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)

function ask(names: readonly (keyof Settings)[], mine: Partial<Settings>, now: Settings): void {
  for (const name of names) asking.add(name)
  const told = names.map((name) => `${wordsFor(name)}: ${String(mine[name])} here, ${String(now[name])} there`)
  const settle = (chosen: Partial<Settings>) => {
    const left = readWaiting()
    // What was chosen again since is kept already.
    const still = names.filter((name) => asking.has(name))
    if (left) writeWaiting({ chosen: without(left.chosen, still), seen: without(left.seen, still) })
    void changeSettings(those(chosen, still))
  }
  tell.choice(`Changed on another page while it waited here. ${told.join('; ')}.`, [
    ['Keep mine', () => settle(mine)],
    ['Leave it', () => settle(now)],
  ])
}

/** One that waits for the server has no number there yet (it is below nought): it is in hand on this page only. */
export const chooseInstrument = async (instrumentId: number): Promise<void> =>
  instrumentId < 0 ? show({ instrumentId }) : changeSettings({ instrumentId })
