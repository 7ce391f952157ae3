/** The shape in hand to the Book and to the tray. */

import { instrumentFor } from '@nestling/core/build'
import { writeSymbol } from '@nestling/core/chord'
import { writeTuning } from '@nestling/core/neck'
import { writeShape } from '@nestling/core/voicing'
import { keepShape } from '../../state/book.ts'
import { $build } from '../../state/build/index.ts'
import { tell } from '../../state/notices.ts'
import { $session } from '../../state/session.ts'
import { addToTray } from '../../state/tray.ts'
import { $chosenFingers } from './shown.ts'

function inHand() {
  const now = $build.get()
  if (!now?.frets || now.frets.every((fret) => fret === null)) return undefined
  return {
    chord: writeSymbol(now.build.chord, { ascii: true }),
    shape: writeShape(now.frets),
    tuning: writeTuning(instrumentFor(now.build, now.setting).tuning),
    state: now,
  }
}

export async function keepInHand(): Promise<void> {
  const held = inHand()
  if (!held) return
  const { state, ...draft } = held
  const { naming, symbols } = $session.get().settings
  const name = `${writeSymbol(state.build.chord, { naming, school: symbols })} ${draft.shape}`
  const answer = await keepShape({ ...draft, name, note: '', fingers: $chosenFingers.get()[draft.shape] ?? '' })
  if (answer.ok) tell.done(`Kept in the Book: ${answer.value.name}`)
  else tell.problem('Not kept', answer.message)
}

export async function toTray(): Promise<void> {
  const held = inHand()
  if (held) await addToTray({ chord: held.chord, shape: held.shape, tuning: held.tuning })
}
