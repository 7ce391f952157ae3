/** The lanes of the rails that are in sight; the one in hand always is, from the frame that draws it. */
import { useVirtualizer, type Virtualizer } from '@tanstack/react-virtual'
import { type RefObject, useCallback, useLayoutEffect } from 'react'
import type { Lane } from './rails.ts'

const LANE = 24
/** Under the lane in hand the hand's ease is ruled. */
const RULER = 15
/** Between two rails there is a little more room than between the lanes of one. */
const BETWEEN = 2
/** The height of the box before it is measured. */
const BOX = 110

type Box = HTMLDivElement

export function useLanesInSight(
  box: RefObject<Box | null>,
  lanes: readonly Lane[],
  handLane: number,
  overscan: number,
): Virtualizer<Box, Element> {
  const heightOf = (index: number) => LANE + (index === handLane ? RULER : lanes[index + 1]?.lane === 0 ? BETWEEN : 0)
  const virtual = useVirtualizer({
    count: lanes.length,
    getScrollElement: () => box.current,
    estimateSize: heightOf,
    // Lanes change their heights with every answer; with another function for the keys they are laid out anew.
    getItemKey: useCallback((index: number) => index, [lanes, handLane]),
    overscan,
    initialRect: { width: 1232, height: BOX },
    observeElementOffset: tellOffset,
    useFlushSync: false,
  })
  // Where it stands is known without asking it, and it is told where it will stand before its lanes are chosen: to ask,
  // or to draw first and scroll then, would lay out the whole page twice for one answer.
  const offset = virtual.scrollOffset ?? 0
  const wanted = handLane < 0 ? offset : sightOf(handLane, heightOf, offset, virtual.scrollRect?.height ?? BOX)
  if (box.current && wanted !== offset) virtual.scrollOffset = wanted
  useLayoutEffect(() => {
    if (wanted === offset) return undefined
    const frame = requestAnimationFrame(() => {
      if (box.current) box.current.scrollTop = wanted
    })
    return () => cancelAnimationFrame(frame)
  }, [lanes, handLane])
  return virtual
}

/** The offset nearest to the present one at which a lane is wholly in sight. */
export function sightOf(lane: number, heightOf: (index: number) => number, offset: number, box: number): number {
  let top = 0
  for (let index = 0; index < lane; index++) top += heightOf(index)
  const bottom = top + heightOf(lane)
  if (top < offset) return top
  return bottom > offset + box ? bottom - box : offset
}

/** Each scrolling once, without the library's second word that it has ended. */
function tellOffset(
  { scrollElement }: Virtualizer<Box, Element>,
  tell: (offset: number, isScrolling: boolean) => void,
) {
  if (!scrollElement) return undefined
  const onScroll = () => tell(scrollElement.scrollTop, false)
  onScroll()
  scrollElement.addEventListener('scroll', onScroll, { passive: true })
  return () => scrollElement.removeEventListener('scroll', onScroll)
}
