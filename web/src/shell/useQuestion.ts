/**
 * A view's question, tied to the address and to the browser's Back: the one hook for it in every view. What settles is
 * written into the address; quick steps in a row are one page to go back to.
 */
import { useEffect, useRef } from 'react'

/** Changes that follow one another more quickly are one step back for the browser. */
const TOGETHER_MS = 900
/** A state that stays this long is written into the address: a new one has the whole page styled and painted again. */
const SETTLED_MS = 100

export interface AddressedQuestion {
  /** Where the question as it is shown can be found again; `undefined` until it is answered. */
  readonly address: string | undefined
  /** Opens what an address means. It is given what stands in the window when the browser goes back or on. */
  readonly open: (query: URLSearchParams) => void
}

export function useQuestion({ address, open }: AddressedQuestion): void {
  const pushed = useRef(Number.NEGATIVE_INFINITY)
  useEffect(() => {
    if (address === undefined) return undefined
    const settled = setTimeout(() => {
      if (address === window.location.pathname + window.location.search) return
      // The first address of a visit is written over.
      const fresh = performance.now() - pushed.current > TOGETHER_MS && pushed.current > 0
      pushed.current = performance.now()
      if (fresh) window.history.pushState(null, '', address)
      else window.history.replaceState(null, '', address)
    }, SETTLED_MS)
    return () => clearTimeout(settled)
  }, [address])
  const newest = useRef(open)
  useEffect(() => {
    newest.current = open
  })
  useEffect(() => {
    const back = () => newest.current(new URLSearchParams(window.location.search))
    window.addEventListener('popstate', back)
    return () => window.removeEventListener('popstate', back)
  }, [])
}
