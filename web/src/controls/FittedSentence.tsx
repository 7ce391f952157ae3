/**
 * A sentence that keeps its height whatever it says, so that what stands below it never moves under a hand: where it has
 * more words than usual, its letters are smaller.
 */
import { type ReactNode, useLayoutEffect, useRef } from 'react'
import sentence from './sentence.module.css'

/** Steps of the letters' size; `data-fit` in the styles. */
const STEPS = 4

function fit(element: HTMLElement): void {
  for (let step = 0; step < STEPS; step++) {
    element.dataset['fit'] = String(step)
    if (element.scrollHeight <= element.clientHeight + 1) return
  }
}

export function FittedSentence({ children }: { readonly children: ReactNode }) {
  const ref = useRef<HTMLParagraphElement>(null)
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return undefined
    fit(element)
    // Words change by themselves, without this sentence being drawn anew; the width, with the window and the fonts.
    const words = new MutationObserver(() => fit(element))
    words.observe(element, { childList: true, characterData: true, subtree: true })
    let width = element.clientWidth
    const size = new ResizeObserver(() => {
      if (element.clientWidth === width) return
      width = element.clientWidth
      fit(element)
    })
    size.observe(element)
    void document.fonts?.ready.then(() => fit(element))
    return () => {
      words.disconnect()
      size.disconnect()
    }
  }, [])
  return (
    <p ref={ref} className={`${sentence['sentence']} ${sentence['fitted']}`} data-fit={0} suppressHydrationWarning>
      {children}
    </p>
  )
}
