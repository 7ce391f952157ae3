/** Keys of a whole page. They rest while a field, a menu or a dialog has the focus; a slider keeps the arrows. */
import { useEffect, useLayoutEffect, useRef } from 'react'
import type { Settings } from '../contracts/settings.ts'
import { $session } from '../state/session.ts'

export interface PageKeys {
  /** By the key's name; a small letter stands for its capital as well. */
  readonly acts: Readonly<Record<string, (event: KeyboardEvent) => unknown>>
  /** Not every view has something to undo. */
  readonly undo: (() => unknown) | undefined
  readonly redo: (() => unknown) | undefined
}

/** A field of text, and what goes through its choices with keys of its own. */
const TEXT_FIELD = 'input:not([type="checkbox"]):not([type="radio"])'
const TAKES_KEYS = `${TEXT_FIELD}, textarea, select, [contenteditable], [role="menu"], [role="dialog"], [role="listbox"], [role="tablist"]`
/** The space bar and Enter press what the keyboard came to; arrows go from one radio button to the next, or move a slider. */
const PRESSED = 'button, a, input, [role="button"]'
/** What was only clicked gives them back to the page, but for a field and for what is pressed again and again. */
const KEEPS_PRESSES = 'input, [data-keeps-presses]'
const TAKES_ARROWS = 'input[type="radio"], [role="slider"]'

/** A neck, and the lists and sheets of shapes that are one stop. */
const NECK = '[data-testid="neck"], [data-one-stop]'

const isWithin = (target: EventTarget | null, selector: string): boolean =>
  target instanceof Element && target.closest(selector) !== null

/** A letter, a digit or a sign without a key beside it; the space bar is none. */
const isSingle = (key: string): boolean => [...key].length === 1 && key !== ' '

/**
 * @param clicked The focus came by a click, not by the keyboard.
 * @param letters Where single letters are commands.
 */
export function onPageKey(
  event: KeyboardEvent,
  { acts, undo, redo }: PageKeys,
  clicked = false,
  letters: Settings['letterKeys'] = 'everywhere',
): void {
  if (event.defaultPrevented || isWithin(event.target, TAKES_KEYS)) return
  const control = event.ctrlKey || event.metaKey
  const undoes = control && event.key.toLowerCase() === 'z'
  if (!undoes && (control || event.altKey)) return
  if (!undoes && isSingle(event.key) && letters !== 'everywhere')
    if (letters === 'off' || !isWithin(event.target, NECK)) return
  const presses = event.key === ' ' || event.key === 'Enter'
  if (presses && isWithin(event.target, clicked ? KEEPS_PRESSES : PRESSED)) return
  if (event.key.startsWith('Arrow') && isWithin(event.target, TAKES_ARROWS)) return
  const act = undoes ? (event.shiftKey ? redo : undo) : (acts[event.key] ?? acts[event.key.toLowerCase()])
  if (act === undefined) return
  event.preventDefault()
  act(event)
}

/** One listener for the page, however often what the keys do is made anew. */
export function usePageKeys(keys: PageKeys): void {
  const newest = useRef(keys)
  // Before the player sees the page that they belong to.
  useLayoutEffect(() => {
    newest.current = keys
  })
  useEffect(() => {
    // All that was clicked since the keyboard went round last: what a panel goes back to when it closes is among it.
    const clicked = new Set<EventTarget>()
    const onKey = (event: KeyboardEvent) => {
      const { letterKeys } = $session.get().settings
      onPageKey(event, newest.current, event.target !== null && clicked.has(event.target), letterKeys)
      if (event.key === 'Tab') clicked.clear()
    }
    const onPointer = ({ target }: PointerEvent) => {
      const pressed = target instanceof Element ? target.closest(PRESSED) : null
      if (pressed) clicked.add(pressed)
    }
    window.addEventListener('keydown', onKey)
    window.addEventListener('pointerdown', onPointer, true)
    return () => {
      window.removeEventListener('keydown', onKey)
      window.removeEventListener('pointerdown', onPointer, true)
    }
  }, [])
}
