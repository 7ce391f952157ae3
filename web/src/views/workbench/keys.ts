/** Everything that a key does in the Build view. */
import type { KeyLine, SharedActs } from '../../shell/keyTable.ts'
import { clearNeck, redo, undo } from '../../state/workbench/index.ts'
import { hearBeforeAfter, hearInHand } from './hear.ts'
import { keepInHand, practiseHref, sheetHref, toTray } from './keeping.ts'
import { moveHand, nextInversion, nextStrings } from './moving.ts'
import { LINE_INPUT_ID } from './sentence/TypedLine.tsx'

export const SHARED_ACTS: SharedActs = {
  fieldId: LINE_INPUT_ID,
  play: (event) => hearInHand(event.shiftKey ? 'arpeggio' : 'strum'),
  playWords: 'play it strummed; with Shift, one by one',
  toTray,
  keep: keepInHand,
  practise: practiseHref,
  toSheet: sheetHref,
  undo,
  redo,
}

const focusNeck = () => document.querySelector<SVGElement>('[data-testid="neck"]')?.focus()

export const WORKBENCH_KEYS: readonly KeyLine[] = [
  {
    keys: ['←', '→'],
    does: 'move the shape a fret; root and name follow',
    acts: { ArrowLeft: () => moveHand(-1), ArrowRight: () => moveHand(1) },
  },
  {
    keys: ['↑', '↓'],
    does: 'next inversion up or down the neck',
    acts: { ArrowUp: () => nextInversion(1), ArrowDown: () => nextInversion(-1) },
  },
  {
    keys: ['[', ']'],
    does: 'towards the low or the high strings',
    acts: { '[': () => nextStrings(-1), ']': () => nextStrings(1) },
  },
  { keys: ['A'], does: 'play the shape before and this one', acts: { a: hearBeforeAfter } },
  { keys: ['G'], does: 'play it plucked together', acts: { g: () => hearInHand('together') } },
  {
    keys: ['E'],
    does: 'go to the neck: arrows, Enter to press or free, Shift and arrows to slide a tone, O open, X silent',
    acts: { e: focusNeck },
  },
  { keys: ['Backspace'], does: 'clear the neck, to set a shape by hand', acts: { Backspace: () => clearNeck() } },
]
