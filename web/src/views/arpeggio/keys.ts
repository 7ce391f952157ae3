/** What every key does in the Arpeggio view. */
import type { Frets } from '@nestling/core/voicing'
import type { PageKeys } from '../../shell/pageKeys.ts'
import { clampAt } from './plan.ts'
import { type ArpeggioState, CHORD_INPUT_ID } from './useArpeggio.ts'
import { toTray } from './voicingInside.ts'

export function arpeggioKeys(state: ArpeggioState, voicing: Frets | undefined): PageKeys {
  const { plan, line, change, undo, redo, playOrStop } = state
  const move = (by: number) => change({ at: clampAt(plan.at + by, line.neck) })
  return {
    undo,
    redo,
    acts: {
      ' ': playOrStop,
      '/': () => document.getElementById(CHORD_INPUT_ID)?.focus(),
      ArrowLeft: () => move(-1),
      ArrowRight: () => move(1),
      ...(voicing ? { t: () => toTray(state, voicing) } : {}),
    },
  }
}
