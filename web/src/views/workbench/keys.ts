/** Everything that a key does in the Build view. */
import type { KeyLine, SharedActs } from '../../shell/keyTable.ts'
import { clearNeck, current, redo, undo, whenAnswered } from '../../state/workbench/index.ts'
import { hearBeforeAfter, hearInHand } from './hear.ts'
import { keepInHand, practiseHref, sheetHref, toTray } from './keeping.ts'
import { moveHand, nextInversion, nextStrings } from './moving.ts'
import { LINE_INPUT_ID } from './sentence/TypedLine.tsx'

type Act = (event: KeyboardEvent) => unknown

/** A key behind a typed line is about what the line gives, not about what the page shows until then. */
const onceAnswered =
  (act: Act): Act =>
  (event) => {
    const answer = whenAnswered()
    return answer ? answer.then(() => act(event)) : act(event)
  }

/** What moves the hand needs only the hand: keys that come fast don't wait for each other's lists. */
const onceInHand =
  (act: Act): Act =>
  (event) =>
    (current().frets === undefined ? onceAnswered(act) : act)(event)

export const SHARED_ACTS: SharedActs = {
  fieldId: LINE_INPUT_ID,
  play: onceAnswered((event) => hearInHand(event.shiftKey ? 'arpeggio' : 'strum')),
  playWords: 'play it strummed; with Shift, one by one',
  toTray,
  keep: keepInHand,
  practise: () => whenAnswered()?.then(practiseHref) ?? practiseHref(),
  toSheet: () => whenAnswered()?.then(sheetHref) ?? sheetHref(),
  undo,
  redo,
}

const focusNeck = () => document.querySelector<SVGElement>('[data-testid="neck"]')?.focus()

export const WORKBENCH_KEYS: readonly KeyLine[] = [
  {
    keys: ['←', '→'],
    does: 'move the shape a fret; root and name follow',
    acts: { ArrowLeft: onceInHand(() => moveHand(-1)), ArrowRight: onceInHand(() => moveHand(1)) },
  },
  {
    keys: ['↑', '↓'],
    does: 'next inversion up or down the neck',
    acts: { ArrowUp: onceInHand(() => nextInversion(1)), ArrowDown: onceInHand(() => nextInversion(-1)) },
  },
  {
    keys: ['[', ']'],
    does: 'towards the low or the high strings',
    acts: { '[': onceInHand(() => nextStrings(-1)), ']': onceInHand(() => nextStrings(1)) },
  },
  { keys: ['A'], does: 'play the shape before and this one', acts: { a: onceAnswered(hearBeforeAfter) } },
  { keys: ['G'], does: 'play it plucked together', acts: { g: onceAnswered(() => hearInHand('together')) } },
  {
    keys: ['E'],
    does: 'go to the neck: arrows, Enter to press or free, Shift and arrows to slide a tone, O open, X silent',
    acts: { e: focusNeck },
  },
  { keys: ['Backspace'], does: 'clear the neck, to set a shape by hand', acts: { Backspace: () => clearNeck() } },
]
