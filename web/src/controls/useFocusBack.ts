/** What is taken away when it closes gives the focus back to what had it before, unless something else has taken it. */
import { useEffect, useState } from 'react'

export function useFocusBack(): void {
  const [before] = useState(() => (typeof document === 'undefined' ? null : document.activeElement))
  useEffect(
    () => () => {
      // Once it is gone: until then the focus is inside.
      queueMicrotask(() => {
        if (document.activeElement === document.body && before instanceof HTMLElement) before.focus()
      })
    },
    [before],
  )
}
