/**
 * A finger that goes down on what can be dragged in a drawing drags it; anywhere else it scrolls the page. Said by an event,
 * because `touch-action` means nothing to the parts of a drawing.
 */
import { useEffect } from 'react'

/** A held tone, a handle, the chord of a tune that is chosen. */
const DRAGGED = '[data-holds], [data-drags], [data-testid="tune-chord"][aria-pressed="true"]'

export function useDragByTouch(): void {
  useEffect(() => {
    const onTouch = (event: TouchEvent) => {
      if (event.target instanceof Element && event.target.closest(DRAGGED)) event.preventDefault()
    }
    document.addEventListener('touchstart', onTouch, { passive: false })
    return () => document.removeEventListener('touchstart', onTouch)
  }, [])
}
