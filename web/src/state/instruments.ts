/** Changing instruments and tunings: what the server answers becomes the session; a refusal is told with its field. */

import { readTuning } from '@nestling/core/neck'
import {
  type InstrumentDraft,
  instrumentFrom,
  type KeptInstrument,
  type OwnTuning,
  type OwnTuningDraft,
} from '../contracts/instrument.ts'
import { call, type Reply } from './http.ts'
import { tell } from './notices.ts'
import { $keptLater, keepOrWait, waitNoLonger } from './outbox.ts'
import { $session, chooseInstrument, sessionOf, showKept } from './session.ts'

function withInstruments(instruments: readonly KeptInstrument[]) {
  const { settings, tunings } = $session.get()
  showKept(sessionOf(settings, instruments, tunings))
}
function withTunings(tunings: readonly OwnTuning[]) {
  const { settings, instruments } = $session.get()
  showKept(sessionOf(settings, instruments, tunings))
}

/** What waits for the server has a number of the page's own, below nought. */
const ownNumber = (): number => -1 - Math.floor(Math.random() * 1e9)
export const waits = (id: number): boolean => id < 0
const NEVER_SENT: Reply<undefined> = { ok: true, value: undefined }
const waitingAs = (id: number): string => `instrument ${id}`

/** @param id Of one that waits already: it changes while it waits. */
export async function addInstrument(draft: InstrumentDraft, id = ownNumber()): Promise<Reply<KeptInstrument>> {
  const reply = await keepOrWait<KeptInstrument>({
    ...{ method: 'POST', path: '/api/instruments', body: { ...draft }, name: draft.name },
    as: waitingAs(id),
  })
  if (reply.ok) {
    // It may have waited, and been refused for its name.
    renumbered(id, reply.value.id)
    withInstruments([...$session.get().instruments.filter((one) => one.id !== id), reply.value])
  }
  const asked = !reply.ok && reply.waits ? instrumentFrom(draft) : undefined
  if (reply.ok || !asked?.ok) return reply
  const value: KeptInstrument = { ...asked.value, id, version: 0 }
  if ($session.get().instruments.some((one) => one.id === id)) showInstrument(value)
  else {
    tell.waits('The instrument waits', reply.message)
    withInstruments([...$session.get().instruments, value])
  }
  return { ok: true, value }
}

const numbers = new Map<number, number>()
/** An instrument that was taken away and brought back, or has waited, has another number. */
export function numberNow(id: number): number {
  let now = id
  for (let next = numbers.get(now); next !== undefined; next = numbers.get(now)) now = next
  return now
}
export const renumbered = (id: number, now: number): unknown => numbers.set(id, now)

export async function editInstrument(
  instrument: KeptInstrument,
  draft: InstrumentDraft,
): Promise<Reply<KeptInstrument>> {
  if (waits(instrument.id)) return addInstrument(draft, instrument.id)
  const reply = await keepOrWait<KeptInstrument>({
    method: 'PUT',
    path: `/api/instruments/${instrument.id}`,
    body: { ...draft, version: instrument.version },
    name: draft.name,
  })
  // What waits is in hand as it was asked for.
  const asked = !reply.ok && reply.waits ? instrumentFrom(draft) : undefined
  if (!reply.ok && asked?.ok) {
    tell.waits('The instrument waits', reply.message)
    const value: KeptInstrument = { ...asked.value, id: instrument.id, version: instrument.version }
    showInstrument(value)
    return { ok: true, value }
  }
  if (reply.ok) showInstrument(reply.value)
  return reply
}

// What waited has been sent: later changes go over that version.
$keptLater.listen((later) => {
  const { instruments, instrument } = $session.get()
  const waited = instruments.find((one) => waits(one.id) && waitingAs(one.id) === later?.as)
  if (waited) {
    const now = later?.value as KeptInstrument
    renumbered(waited.id, now.id)
    withInstruments(instruments.map((one) => (one.id === waited.id ? now : one)))
    if (instrument.id === waited.id) void chooseInstrument(now.id)
    return
  }
  const { tunings } = $session.get()
  if (tunings.some(({ id }) => tuningAs(id) === later?.as))
    withTunings(tunings.map((one) => (tuningAs(one.id) === later?.as ? (later.value as OwnTuning) : one)))
  // A page before this one had asked for it.
  const made = later?.path === '/api/instruments' ? (later.value as KeptInstrument | undefined) : undefined
  if (made && instruments.every(({ id }) => id !== made.id)) withInstruments([...instruments, made])
  const [, id] = /^\/api\/instruments\/(\d+)$/.exec(later?.path ?? '') ?? []
  if (instruments.some((one) => one.id === Number(id))) showInstrument(later?.value as KeptInstrument)
})

/** As it is kept now, in the place of what this page has. */
export const showInstrument = (now: KeptInstrument): void =>
  withInstruments($session.get().instruments.map((other) => (other.id === now.id ? now : other)))

export async function removeInstrument(id: number): Promise<Reply<undefined>> {
  if (waits(id)) waitNoLonger(waitingAs(id))
  const reply = waits(id) ? NEVER_SENT : await call<undefined>('DELETE', `/api/instruments/${id}`)
  if (reply.ok) withInstruments($session.get().instruments.filter((instrument) => instrument.id !== id))
  return reply
}

const tuningAs = (id: number): string => `tuning ${id}`

export async function addTuning(draft: OwnTuningDraft): Promise<Reply<OwnTuning>> {
  const id = ownNumber()
  const reply = await keepOrWait<OwnTuning>({
    ...{ method: 'POST', path: '/api/tunings', body: { ...draft }, name: draft.name, list: '/api/tunings' },
    as: tuningAs(id),
  })
  const asked = !reply.ok && reply.waits ? readTuning(draft.tuning, { name: draft.name }) : undefined
  if (!reply.ok && asked?.ok) {
    tell.waits('The tuning waits', reply.message)
    const value: OwnTuning = { ...asked.value, name: draft.name, id }
    withTunings([...$session.get().tunings, value])
    return { ok: true, value }
  }
  if (reply.ok) withTunings([...$session.get().tunings, reply.value])
  return reply
}

export async function removeTuning(id: number): Promise<Reply<undefined>> {
  if (waits(id)) waitNoLonger(tuningAs(id))
  const reply = waits(id) ? NEVER_SENT : await call<undefined>('DELETE', `/api/tunings/${id}`)
  if (reply.ok) withTunings($session.get().tunings.filter((tuning) => tuning.id !== id))
  return reply
}
