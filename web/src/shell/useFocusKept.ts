/**
 * The keyboard never falls to the top of the page: when what had the focus goes (deleted, renamed, removed), what stands in
 * its place gets it.
 */
import { useEffect } from 'react'
import { OVER_ID } from './theme.ts'

/** What can hold several things to press. */
const HOLDERS = 'li, ul, ol, tr, table, dl, form, article, section, aside, [role="group"], main'
const KEPT = 'main, [aria-label="Tray"]'
/** Menus and dialogs; and a card, whose answer given leaves the keys to the page: Enter is the next one. */
const LETS_GO = `#${OVER_ID}, [data-lets-go]`
const FOCUSABLE = 'a[href], button:not(:disabled), input:not(:disabled), select, textarea, [tabindex]:not([data-rest])'

interface Held {
  readonly element: Element
  /** From the inside out, each with its place among what can be focused there. */
  readonly holders: readonly { readonly holder: Element; readonly index: number }[]
}

const focusablesIn = (holder: Element): readonly HTMLElement[] =>
  [...holder.querySelectorAll<HTMLElement>(FOCUSABLE)].filter((one) => one.getClientRects().length > 0)

function heldBy(element: Element): Held {
  const holders: { readonly holder: Element; readonly index: number }[] = []
  for (let at = element.parentElement?.closest(HOLDERS); at; at = at.parentElement?.closest(HOLDERS))
    holders.push({ holder: at, index: focusablesIn(at).indexOf(element as HTMLElement) })
  return { element, holders }
}

const TEXT = 'input:not([type="checkbox"]):not([type="radio"]):not([type="range"]), textarea'

/**
 * What stands where the lost one stood, or nearest to it: in the innermost holder that is still there and holds something. A
 * field gets the focus only from a field: elsewhere letters are commands, and the next one would be written into it.
 */
function inItsPlace({ element, holders }: Held): HTMLElement | undefined {
  const wasField = element.matches(TEXT)
  for (const { holder, index } of holders) {
    if (!holder.isConnected) continue
    const there = focusablesIn(holder)
    const from = Math.min(Math.max(index, 0), there.length - 1)
    const fits = (one: HTMLElement) => wasField || !one.matches(TEXT)
    const next = there.slice(from).find(fits) ?? there.slice(0, from).findLast(fits)
    if (next) return next
  }
  return undefined
}

export function useFocusKept(): void {
  useEffect(() => {
    let held: Held | undefined
    // Who presses with a pointer does not look for the focus; moved, it would point at what nobody pointed at.
    let byKey = false
    const onKey = () => {
      byKey = true
    }
    const onPointer = () => {
      byKey = false
    }
    const onFocus = ({ target }: FocusEvent) => {
      // Menus and dialogs give it back themselves.
      const isOwn = target instanceof Element && target.closest(KEPT) !== null && target.closest(LETS_GO) === null
      held = isOwn ? heldBy(target) : undefined
    }
    const observer = new MutationObserver(() => {
      if (!held || !byKey || held.element.isConnected || document.activeElement !== document.body) return
      const lost = held
      held = undefined
      inItsPlace(lost)?.focus()
    })
    document.addEventListener('focusin', onFocus)
    document.addEventListener('keydown', onKey, true)
    document.addEventListener('pointerdown', onPointer, true)
    observer.observe(document.body, { childList: true, subtree: true })
    return () => {
      document.removeEventListener('focusin', onFocus)
      document.removeEventListener('keydown', onKey, true)
      document.removeEventListener('pointerdown', onPointer, true)
      observer.disconnect()
    }
  }, [])
}
