/** What every key does in the Arpeggio view. */
import type { Frets } from '@nestling/core/voicing'
import type { KeyLine, SharedActs } from '../../shell/keyTable.ts'
import type { Walk } from '../../state/walk.ts'
import { walk } from './beside/InTheTune.tsx'
import { clampAt } from './plan.ts'
import { type ArpeggioState, CHORD_INPUT_ID } from './useArpeggio.ts'
import type { LineEar } from './useEar.ts'
import { buildHref, keep, practiseHref, sheetHref, toTray } from './voicingInside.ts'

export const sharedActs = (state: ArpeggioState, voicing: Frets | undefined): SharedActs => ({
  fieldId: CHORD_INPUT_ID,
  typeWords: 'type another chord',
  play: state.playOrStop,
  playWords: 'play and stop',
  undo: state.undo,
  redo: state.redo,
  toSheet: () => sheetHref(state),
  practise: () => practiseHref(state),
  ...(voicing ? { toTray: () => toTray(state, voicing), keep: () => keep(state, voicing) } : {}),
})

export function arpeggioKeys(
  state: ArpeggioState,
  ear: LineEar,
  voicing: Frets | undefined,
  tune: Walk | undefined,
): readonly KeyLine[] {
  const { plan, line, change } = state
  const move = (by: number) => change({ at: clampAt(plan.at + by, line.neck) })
  return [
    { keys: ['←', '→'], does: 'move the hand', acts: { ArrowLeft: () => move(-1), ArrowRight: () => move(1) } },
    { keys: ['E'], does: 'let the ear follow, or stop it', acts: { e: ear.listenOrStop } },
    ...(tune
      ? [
          {
            keys: [',', '.'],
            does: `the chord before it, after it in ${tune.title}`,
            acts: { ',': () => walk(tune, -1), '.': () => walk(tune, 1) },
          },
        ]
      : []),
    ...(voicing
      ? [
          {
            keys: ['Enter'],
            does: 'build the voicing inside',
            acts: { Enter: () => window.location.assign(buildHref(state, voicing)) },
          },
        ]
      : []),
  ]
}
