/** Keys and what they do: those that are the same in every view, and a view's own. */

import { LABELS, type Labels } from '../contracts/settings.ts'
import { CONTROL } from '../controls/platform.ts'
import { $session, changeSettings } from '../state/session.ts'
import { redoLast, undoLast } from '../state/undoOrder.ts'
import type { PageKeys } from './pageKeys.ts'

/** A line of the list of keys, and the acts behind it. */
export interface KeyLine {
  /** As they are printed: `←`, `Shift`. */
  readonly keys: readonly string[]
  readonly does: string
  /** By the event's key; none for a line that only tells. */
  readonly acts?: PageKeys['acts']
}

type Href = string | undefined

/** What a view offers to the keys that every view shares; what it leaves out does nothing there. */
export interface SharedActs {
  /** The field in which the question is typed. */
  readonly fieldId?: string | undefined
  readonly typeWords?: string | undefined
  /** How the field is gone to; else what stands in it is selected. */
  readonly toField?: (() => void) | undefined
  readonly play?: ((event: KeyboardEvent) => unknown) | undefined
  readonly playWords?: string | undefined
  readonly toTray?: (() => unknown) | undefined
  readonly keep?: (() => unknown) | undefined
  /** Where what is in hand is practised; `undefined` when nothing is. */
  readonly practise?: (() => Href | Promise<Href>) | undefined
  /** Where what is in hand is put on a sheet. */
  readonly toSheet?: (() => Href | Promise<Href>) | undefined
  /** Whether it draws eggs in which something can stand. */
  readonly hasEggs?: boolean | undefined
  readonly undo?: (() => unknown) | undefined
  readonly redo?: (() => unknown) | undefined
}

const labelsAfter = (labels: Labels): Labels => LABELS[(LABELS.indexOf(labels) + 1) % LABELS.length] ?? 'degree'

/** Printed on the cap, as the event calls it. */
const EVENT_KEYS: Readonly<Record<string, string>> = {
  '←': 'ArrowLeft',
  '→': 'ArrowRight',
  '↑': 'ArrowUp',
  '↓': 'ArrowDown',
  '−': '-',
  Space: ' ',
  Del: 'Delete',
  Esc: 'Escape',
  Ins: 'Insert',
}

/** A cap of the list that can be pressed there: what it does, or nothing where it only tells. */
export interface KeyCap {
  readonly cap: string
  readonly act?: () => unknown
}

/** The caps of a line; keys that are held together are one. */
export function capsOf({ keys, acts = {} }: KeyLine): readonly KeyCap[] {
  const press = (key: string, shiftKey: boolean) => {
    const act = acts[key] ?? acts[key.toLowerCase()]
    return act && { act: () => act(new KeyboardEvent('keydown', { key, shiftKey })) }
  }
  const last = keys.at(-1)
  if (keys[0] === 'Shift' && last !== undefined) return [{ cap: keys.join(' '), ...press(last, true) }]
  return keys.map((cap) => ({ cap, ...press(EVENT_KEYS[cap] ?? cap, false) }))
}

async function go(href: Href | Promise<Href>): Promise<void> {
  const to = await href
  if (to !== undefined) window.location.assign(to)
}
/** What is typed then takes the place of what stands there. */
function intoField(id: string): void {
  const field = document.getElementById(id)
  field?.focus()
  if (field instanceof HTMLInputElement) field.select()
}
const nextLabels = () => changeSettings({ labels: labelsAfter($session.get().settings.labels) })
const bassOnOff = () => changeSettings({ bassStandIn: !$session.get().settings.bassStandIn })

/** All lines of a view's list, in the order in which they are told. */
export function keyLines(shared: SharedActs, own: readonly KeyLine[], openHelp: () => void): readonly KeyLine[] {
  const {
    fieldId,
    typeWords = 'type what to build',
    toField,
    play,
    playWords = 'play it',
    toTray,
    keep,
    practise,
    toSheet,
    hasEggs = true,
  } = shared
  const line = (keys: readonly string[], does: string, acts: PageKeys['acts']): KeyLine => ({ keys, does, acts })
  return [
    ...(fieldId === undefined ? [] : [line(['/'], typeWords, { '/': toField ?? (() => intoField(fieldId)) })]),
    ...(play === undefined ? [] : [line(['Space'], playWords, { ' ': play })]),
    ...own,
    line(['B'], 'bass stand-in on or off', { b: bassOnOff }),
    ...(hasEggs ? [line(['L'], 'what stands in the eggs: degree, note, finger, nothing', { l: nextLabels })] : []),
    ...(toTray === undefined ? [] : [line(['T'], 'add it to the tray', { t: toTray })]),
    ...(keep === undefined ? [] : [line(['K'], 'save it to the Book', { k: keep })]),
    ...(practise === undefined ? [] : [line(['R'], 'practise it', { r: () => go(practise()) })]),
    ...(toSheet === undefined ? [] : [line(['W'], 'put it on a sheet', { w: () => go(toSheet()) })]),
    { keys: [CONTROL, 'Z'], does: 'undo, what was done in the tray and to what is kept too; with Shift, redo' },
    line(['?'], 'this list', { '?': openHelp }),
  ]
}

export const pageKeysOf = (lines: readonly KeyLine[], { undo, redo }: SharedActs): PageKeys => ({
  undo: () => undoLast(undo),
  redo: () => redoLast(redo),
  acts: Object.assign({}, ...lines.map(({ acts }) => acts ?? {})) as PageKeys['acts'],
})
