/** What every key does in a run. */
import { GRADES } from '@nestling/core/practice'
import type { KeyLine, SharedActs } from '../../shell/keyTable.ts'
import { tempoWithin } from '../../sound/tapTempo.ts'
import { changeSound } from '../../state/playback.ts'
import { $session } from '../../state/session.ts'
import { earOnOff } from './Acts.tsx'
import { makeCards } from './makeCards.ts'
import { RUN_INPUT_ID, type RunState } from './useRun.ts'

export const sharedActs = (state: RunState): SharedActs => ({
  fieldId: RUN_INPUT_ID,
  typeWords: 'type another run: m7 on 5 and 6 fourths from E 80',
  play: state.startOrStop,
  playWords: 'start and stop',
  undo: state.undo,
  redo: state.redo,
})

const tempoBy = (by: number) => changeSound({ tempo: tempoWithin($session.get().settings.tempo + by) })
export const clickOnOff = () => changeSound({ metronome: !$session.get().settings.metronome })
export const drumsOnOff = () => changeSound({ drums: !$session.get().settings.drums })

export function runKeys(state: RunState): readonly KeyLine[] {
  const { steps, at, goTo } = state
  const beside = (by: number) => goTo((at + by + steps.length) % steps.length)
  return [
    { keys: ['S'], does: 'show the shape until the next bar; it is hard then, at best', acts: { s: state.show } },
    { keys: ['H'], does: 'play the chord', acts: { h: state.hear } },
    {
      keys: ['1', '2', '3', '4'],
      does: 'lost, hard, had it, easy; taken at the next bar',
      acts: Object.fromEntries(GRADES.map((grade, index) => [String(index + 1), () => state.grade(grade)])),
    },
    { keys: ['E'], does: 'the ear judges, or not', acts: { e: earOnOff } },
    {
      keys: ['←', '→'],
      does: 'the root before, the next root',
      acts: { ArrowLeft: () => beside(-1), ArrowRight: () => beside(1) },
    },
    {
      keys: ['−', '+'],
      does: 'slower, quicker',
      acts: { '-': () => tempoBy(-1), '+': () => tempoBy(1), '=': () => tempoBy(1) },
    },
    { keys: ['C'], does: 'click on or off', acts: { c: clickOnOff } },
    { keys: ['D'], does: 'drums on or off', acts: { d: drumsOnOff } },
    { keys: ['M'], does: 'make recall cards of it', acts: { m: () => makeCards(state) } },
  ]
}
