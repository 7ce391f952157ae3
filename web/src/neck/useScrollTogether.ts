/** What is drawn on the neck's ruler below it goes along when a narrow screen scrolls the neck. */
import { type RefObject, useEffect } from 'react'

/** @param other The label of the scrolling box beside. */
export function useScrollTogether(box: RefObject<HTMLElement | null>, other: string): void {
  useEffect(() => {
    const here = box.current
    const there = document.querySelector<HTMLElement>(`[aria-label="${other}"]`)
    if (!here || !there) return undefined
    const follow = (from: HTMLElement, to: HTMLElement) => () => {
      if (Math.abs(to.scrollLeft - from.scrollLeft) > 1) to.scrollLeft = from.scrollLeft
    }
    const down = follow(there, here)
    const up = follow(here, there)
    down()
    there.addEventListener('scroll', down, { passive: true })
    here.addEventListener('scroll', up, { passive: true })
    return () => {
      there.removeEventListener('scroll', down)
      here.removeEventListener('scroll', up)
    }
  }, [box, other])
}
