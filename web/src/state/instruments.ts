/** Changing instruments and tunings: what the server answers becomes the session; a refusal is told with its field. */
import type { InstrumentDraft, KeptInstrument, OwnTuning, OwnTuningDraft } from '../contracts/instrument.ts'
import { type Answer, call } from './http.ts'
import { $session, sessionOf, showKept } from './session.ts'

function withInstruments(instruments: readonly KeptInstrument[]) {
  const { settings, tunings } = $session.get()
  showKept(sessionOf(settings, instruments, tunings))
}
function withTunings(tunings: readonly OwnTuning[]) {
  const { settings, instruments } = $session.get()
  showKept(sessionOf(settings, instruments, tunings))
}

export async function addInstrument(draft: InstrumentDraft): Promise<Answer<KeptInstrument>> {
  const answer = await call<KeptInstrument>('POST', '/api/instruments', draft)
  if (answer.ok) withInstruments([...$session.get().instruments, answer.value])
  return answer
}

export async function editInstrument(
  instrument: KeptInstrument,
  draft: InstrumentDraft,
): Promise<Answer<KeptInstrument>> {
  const answer = await call<KeptInstrument>('PUT', `/api/instruments/${instrument.id}`, {
    ...draft,
    version: instrument.version,
  })
  if (answer.ok) {
    const { instruments } = $session.get()
    withInstruments(instruments.map((other) => (other.id === instrument.id ? answer.value : other)))
  }
  return answer
}

export async function removeInstrument(id: number): Promise<Answer<undefined>> {
  const answer = await call<undefined>('DELETE', `/api/instruments/${id}`)
  if (answer.ok) withInstruments($session.get().instruments.filter((instrument) => instrument.id !== id))
  return answer
}

export async function addTuning(draft: OwnTuningDraft): Promise<Answer<OwnTuning>> {
  const answer = await call<OwnTuning>('POST', '/api/tunings', draft)
  if (answer.ok) withTunings([...$session.get().tunings, answer.value])
  return answer
}

export async function removeTuning(id: number): Promise<Answer<undefined>> {
  const answer = await call<undefined>('DELETE', `/api/tunings/${id}`)
  if (answer.ok) withTunings($session.get().tunings.filter((tuning) => tuning.id !== id))
  return answer
}
