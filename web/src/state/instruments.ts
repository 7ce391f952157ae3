/** Changing instruments and tunings: what the server answers becomes the session; a refusal is told with its field. */
import {
  type InstrumentDraft,
  instrumentFrom,
  type KeptInstrument,
  type OwnTuning,
  type OwnTuningDraft,
} from '../contracts/instrument.ts'
import { call, type Reply } from './http.ts'
import { tell } from './notices.ts'
import { $keptLater, keepOrWait } from './outbox.ts'
import { $session, sessionOf, showKept } from './session.ts'

function withInstruments(instruments: readonly KeptInstrument[]) {
  const { settings, tunings } = $session.get()
  showKept(sessionOf(settings, instruments, tunings))
}
function withTunings(tunings: readonly OwnTuning[]) {
  const { settings, instruments } = $session.get()
  showKept(sessionOf(settings, instruments, tunings))
}

export async function addInstrument(draft: InstrumentDraft): Promise<Reply<KeptInstrument>> {
  const reply = await call<KeptInstrument>('POST', '/api/instruments', draft)
  if (reply.ok) withInstruments([...$session.get().instruments, reply.value])
  return reply
}

export async function editInstrument(
  instrument: KeptInstrument,
  draft: InstrumentDraft,
): Promise<Reply<KeptInstrument>> {
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
  const { instruments } = $session.get()
  const [, id] = /^\/api\/instruments\/(\d+)$/.exec(later?.path ?? '') ?? []
  if (instruments.some((one) => one.id === Number(id))) showInstrument(later?.value as KeptInstrument)
})

/** As it is kept now, in the place of what this page has. */
export const showInstrument = (now: KeptInstrument): void =>
  withInstruments($session.get().instruments.map((other) => (other.id === now.id ? now : other)))

export async function removeInstrument(id: number): Promise<Reply<undefined>> {
  const reply = await call<undefined>('DELETE', `/api/instruments/${id}`)
  if (reply.ok) withInstruments($session.get().instruments.filter((instrument) => instrument.id !== id))
  return reply
}

export async function addTuning(draft: OwnTuningDraft): Promise<Reply<OwnTuning>> {
  const reply = await call<OwnTuning>('POST', '/api/tunings', draft)
  if (reply.ok) withTunings([...$session.get().tunings, reply.value])
  return reply
}

export async function removeTuning(id: number): Promise<Reply<undefined>> {
  const reply = await call<undefined>('DELETE', `/api/tunings/${id}`)
  if (reply.ok) withTunings($session.get().tunings.filter((tuning) => tuning.id !== id))
  return reply
}
