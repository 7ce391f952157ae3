/** Everything that a key does in the Build view, and how the list of keys tells it. */
import { LABELS, type Labels } from '../../contracts/settings.ts'
import type { PageKeys } from '../../shell/pageKeys.ts'
import { clearNeck, invert, moveFret, moveStrings, redo, undo } from '../../state/build/index.ts'
import { $session, changeSettings } from '../../state/session.ts'
import { hearInHand } from './hear.ts'
import { keepInHand, toTray } from './keeping.ts'
import { LINE_INPUT_ID } from './line/TypedLine.tsx'

export interface KeyHelp {
  readonly keys: readonly string[]
  readonly does: string
}

export const KEY_HELP: readonly KeyHelp[] = [
  { keys: ['/'], does: 'type the build line' },
  { keys: ['←', '→'], does: 'move the shape a fret; root and name follow' },
  { keys: ['↑', '↓'], does: 'next inversion up or down the neck' },
  { keys: ['[', ']'], does: 'towards the low or the high strings' },
  { keys: ['Space'], does: 'hear it strummed' },
  { keys: ['Shift', 'Space'], does: 'hear it one by one' },
  { keys: ['G'], does: 'hear it plucked together' },
  { keys: ['B'], does: 'bass stand-in on or off' },
  { keys: ['L'], does: 'what stands in the eggs: degree, note, finger, nothing' },
  { keys: ['T'], does: 'put it in the tray' },
  { keys: ['K'], does: 'keep it in the Book' },
  {
    keys: ['E'],
    does: 'go to the neck: arrows, Enter to press or free, Shift and arrows to slide a tone, O open, X silent',
  },
  { keys: ['Backspace'], does: 'clear the neck, to set a shape by hand' },
  { keys: ['Ctrl', 'Z'], does: 'undo; with Shift, redo' },
  { keys: ['?'], does: 'this list' },
]

/** What every key of the page does; `openHelp` shows the list above. */
export const buildKeys = (openHelp: () => void): PageKeys => ({
  undo,
  redo,
  acts: {
    '/': () => document.getElementById(LINE_INPUT_ID)?.focus(),
    ArrowLeft: () => moveFret(-1),
    ArrowRight: () => moveFret(1),
    ArrowUp: () => invert(1),
    ArrowDown: () => invert(-1),
    '[': () => moveStrings(-1),
    ']': () => moveStrings(1),
    ' ': (event) => hearInHand(event.shiftKey ? 'arpeggio' : 'strum'),
    g: () => hearInHand('together'),
    b: () => changeSettings({ bassStandIn: !$session.get().settings.bassStandIn }),
    l: () => changeSettings({ labels: labelsAfter($session.get().settings.labels) }),
    t: () => toTray(),
    k: () => keepInHand(),
    e: () => document.querySelector<SVGElement>('[data-testid="neck"]')?.focus(),
    Backspace: () => clearNeck(),
    '?': openHelp,
  },
})

const labelsAfter = (labels: Labels): Labels => LABELS[(LABELS.indexOf(labels) + 1) % LABELS.length] ?? 'degree'
