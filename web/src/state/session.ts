/** Who plays, on what, with which habits: the same in every view, kept by the server. */

import type { SymbolStyle } from '@nestling/core/chord'
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import type { Player } from '@nestling/core/request'
import { atom, computed } from 'nanostores'
import type { KeptInstrument, OwnTuning } from '../contracts/instrument.ts'
import { DEFAULT_SETTINGS, playerOf, type Settings } from '../contracts/settings.ts'
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
  const { handComfortMm, leavingOut, thumb, withBassPlayer, naming } = settings
  const asked = [handComfortMm, leavingOut, thumb, withBassPlayer, naming, instrument, tunings]
  if (lastPlayer && asked.every((one, index) => one === lastAsked[index])) return lastPlayer
  lastAsked = asked
  lastPlayer = playerOf(settings, instrument, tunings)
  return lastPlayer
})

const waiting = waitingUnder<Partial<Settings>>('settings')
/** As the server has them: what it refuses goes back to this. */
let kept: Settings = DEFAULT_SETTINGS
let queue: Promise<void> = Promise.resolve()

const show = (changes: Partial<Settings>): void => {
  const { settings, instruments, tunings } = $session.get()
  $session.set(sessionOf({ ...settings, ...changes }, instruments, tunings))
}

/** As the server gave them to this page. */
export function openSession(session: Session): void {
  kept = session.settings
  $session.set(session)
}

/** In the browser, once: what an earlier page could not send is shown and sent. */
export function openWaitingSettings(): void {
  const left = waiting.read()
  if (!left) return
  waiting.write(left, Object.keys(left).length)
  show(left)
}
joinSenders(async () => {
  const left = waiting.read()
  if (left === undefined) return true
  await send(left)
  return waiting.read() === undefined
})

/**
 * Shows a change at once. While the server is away it waits in the browser; what the server refuses goes back to what was
 * kept, unless it was changed again meanwhile, with the reason.
 */
export function changeSettings(changes: Partial<Settings>): Promise<void> {
  show(changes)
  return send(changes)
}

/** One after another: a later change of the same setting is the later one for the server as well. */
function send(changes: Partial<Settings>): Promise<void> {
  queue = queue.then(async () => {
    const all = { ...waiting.read(), ...changes }
    const reply = await call<Settings>('PATCH', '/api/settings', all)
    if (reply.ok) {
      kept = { ...kept, ...all }
      waiting.write(undefined)
      tellOthers('session', $session.get())
      return
    }
    if (isAway(reply)) {
      if (waiting.read() === undefined) tell.waits('The setting waits', WAITS)
      waiting.write(all, Object.keys(all).length)
      sendLater()
      return
    }
    waiting.write(undefined)
    const shown = $session.get().settings
    const refused = (Object.keys(all) as (keyof Settings)[]).filter((name) => shown[name] === all[name])
    show(Object.fromEntries(refused.map((name) => [name, kept[name]])))
    tell.problem('Not kept', reply.message)
  })
  return queue
}

export const chooseInstrument = (instrumentId: number): Promise<void> => changeSettings({ instrumentId })
