/** On a narrow screen the neck is wider than the page: it is scrolled so that the hand is in the middle. */
import { type RefObject, useEffect, useRef } from 'react'
import { BREAKPOINTS } from '../styles/breakpoints.mjs'
import type { NeckLayout } from './layout.ts'

/** @param frets The frets in use; when they change, the neck follows. @returns For the element that scrolls. */
export function useHandInSight(layout: NeckLayout, frets: readonly number[]): RefObject<HTMLElement | null> {
  const scroller = useRef<HTMLElement>(null)
  const centre =
    frets.length === 0 ? 0 : layout.tipX(frets.reduce((sum, fret) => sum + fret, 0) / frets.length) / layout.width
  useEffect(() => {
    const box = scroller.current
    // Asked first, because to measure the box would lay out the whole page again.
    if (!box || !window.matchMedia(`(max-width: ${BREAKPOINTS.narrow})`).matches) return
    if (box.scrollWidth > box.clientWidth) box.scrollLeft = centre * box.scrollWidth - box.clientWidth / 2
  }, [centre])
  return scroller
}
