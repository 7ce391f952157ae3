/**
 * What lies on the bench of Set-up: the instrument in hand, and how a change of it is kept.
 *   a pull, a typed value, a key ─keepInstrument→ the server, one after another; every change with its way back
 */
import { atom } from 'nanostores'
import { draftOf, type InstrumentDraft, type KeptInstrument } from '../../../contracts/instrument.ts'
import type { Settings } from '../../../contracts/settings.ts'
import type { Reply } from '../../../state/http.ts'
import {
  addInstrument,
  editInstrument,
  numberNow,
  removeInstrument,
  renumbered,
  showInstrument,
} from '../../../state/instruments.ts'
import { joined } from '../../../state/joined.ts'
import { tell } from '../../../state/notices.ts'
import { $session, changeSettings, chooseInstrument } from '../../../state/session.ts'
import { differenceWords } from '../../../words/differences.ts'
import { createSteps } from './steps.ts'

export const steps = createSteps()

/** What is shown until the server has it: of the instrument in hand. */
export const $pending = atom<InstrumentDraft | undefined>(undefined)

async function write(id: number, draft: InstrumentDraft): Promise<Reply<KeptInstrument>> {
  const { instruments } = $session.get()
  const kept = instruments.find((one) => one.id === numberNow(id))
  // Where none is kept yet, the standard guitar on the bench becomes the player's own.
  const first = kept ? await editInstrument(kept, draft) : await addInstrument(draft)
  const theirs = first.ok ? undefined : (first.now as KeptInstrument | undefined)
  const reply = kept && theirs ? await joinedWith(kept, draft, theirs, first) : first
  if (reply.ok && reply.value.id !== id) {
    renumbered(id, reply.value.id)
    await chooseInstrument(reply.value.id)
  }
  return reply
}

/** Somebody else has changed it meanwhile: what they have not touched is joined, the rest is chosen. */
function joinedWith(
  before: KeptInstrument,
  mine: InstrumentDraft,
  theirs: KeptInstrument,
  refused: Reply<KeptInstrument>,
): Promise<Reply<KeptInstrument>> | Reply<KeptInstrument> {
  const there = draftOf(theirs)
  const { value, both } = joined<InstrumentDraft>(draftOf(before), mine, there)
  if (both.length === 0) return editInstrument(theirs, value)
  tell.choice(
    `${theirs.name} was changed elsewhere since this page was opened: ${differenceWords(both, mine, there)}.`,
    [
      ['Keep mine', () => void told(editInstrument(theirs, value))],
      ['Keep both', () => void told(addInstrument({ ...mine, name: freeName(mine.name, $session.get().instruments) }))],
      ['Take theirs', () => showInstrument(theirs)],
    ],
  )
  return refused
}

/** Keeps a change of the instrument in hand. @returns What the server said: a refusal leaves all as it was. */
export async function keepInstrument(draft: InstrumentDraft): Promise<Reply<KeptInstrument>> {
  $pending.set(draft)
  const reply = await (steps.inTurn(async () => {
    const { instrument } = $session.get()
    const before = draftOf(instrument)
    const { id } = instrument
    const answer = await write(id, draft)
    if (answer.ok) {
      const again = () => told(write(id, draft))
      steps.did({ back: () => told(write(id, before)), again })
    }
    return answer
  }) as Promise<Reply<KeptInstrument>>)
  if ($pending.get() === draft) $pending.set(undefined)
  return reply
}

async function told(answer: Promise<Reply<unknown>>): Promise<void> {
  const reply = await answer
  if (!reply.ok) tell.problem('Not kept', reply.message)
}

/** The same, and a refusal is told: for a pull and for keys, which have no field to tell it in. */
export const keepPulled = (draft: InstrumentDraft): Promise<void> => told(keepInstrument(draft))

/** Another instrument like the one in hand, which is then in hand. */
export async function addAnother(): Promise<void> {
  const { instrument, instruments } = $session.get()
  const draft = { ...draftOf(instrument), name: freeName(instrument.name, instruments) }
  const reply = await addInstrument(draft)
  if (!reply.ok) {
    tell.problem('Not added', reply.message)
    return
  }
  await chooseInstrument(reply.value.id)
  const { id } = reply.value
  steps.did({ back: () => takeAway(numberNow(id)), again: () => bringBack(id, draft) })
}

/** A name that no instrument has yet: "Archtop 2". */
export function freeName(name: string, instruments: readonly Pick<KeptInstrument, 'name'>[]): string {
  const base = name.replace(/ \d+$/, '')
  for (let count = 2; ; count++)
    if (instruments.every((one) => one.name !== `${base} ${count}`)) return `${base} ${count}`
}

async function takeAway(id: number): Promise<boolean> {
  const reply = await removeInstrument(id)
  if (!reply.ok) tell.problem('Not deleted', reply.message)
  return reply.ok
}

async function bringBack(id: number, draft: InstrumentDraft): Promise<void> {
  const reply = await addInstrument(draft)
  if (!reply.ok) {
    tell.problem('Not brought back', reply.message)
    return
  }
  renumbered(numberNow(id), reply.value.id)
  await chooseInstrument(reply.value.id)
}

/** Takes the instrument in hand away; the next one comes into the hand. */
export async function takeInstrumentAway(): Promise<void> {
  const { instrument } = $session.get()
  if (instrument.id === 0 || !(await takeAway(instrument.id))) return
  const draft = draftOf(instrument)
  // Before anything is waited for: whoever undoes at once undoes this.
  steps.did({
    back: () => bringBack(instrument.id, draft),
    again: () => takeAway(numberNow(instrument.id)),
    later: { words: `Deleted: ${instrument.name}`, undo: { method: 'POST', path: '/api/instruments', body: draft } },
  })
  const [next] = $session.get().instruments
  if (next) await chooseInstrument(next.id)
}

/** A habit or the hand, with its way back. */
export function changeHabit(changes: Partial<Settings>): Promise<void> {
  const { settings } = $session.get()
  const before = Object.fromEntries(Object.keys(changes).map((key) => [key, settings[key as keyof Settings]]))
  steps.did({ back: () => changeSettings(before), again: () => changeSettings(changes) })
  return changeSettings(changes)
}

/** Another instrument comes into the hand. */
export const takeInHand = (id: number): Promise<void> =>
  id < 0 ? chooseInstrument(id) : changeHabit({ instrumentId: id })
