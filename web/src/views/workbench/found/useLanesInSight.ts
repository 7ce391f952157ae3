/** The lanes of the rails that are in sight; the one in hand is brought there whenever another shape is. */
import { defaultRangeExtractor, useVirtualizer, type Virtualizer } from '@tanstack/react-virtual'
import { type RefObject, useLayoutEffect } from 'react'
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
  const virtual = useVirtualizer({
    count: lanes.length,
    getScrollElement: () => box.current,
    estimateSize: (index) => LANE + (index === handLane ? RULER : lanes[index + 1]?.lane === 0 ? BETWEEN : 0),
    overscan,
    // The one in hand is there before it has been scrolled to.
    rangeExtractor: (range) => {
      const seen = defaultRangeExtractor(range)
      return handLane < 0 || handLane >= range.count || seen.includes(handLane)
        ? seen
        : [...seen, handLane].sort((a, b) => a - b)
    },
    initialRect: { width: 1232, height: BOX },
    initialOffset: Math.max(0, (handLane + 1) * LANE + RULER - BOX),
  })
  useLayoutEffect(() => {
    // Lanes change their heights with every answer.
    virtual.measure()
    if (handLane >= 0) virtual.scrollToIndex(handLane, { align: 'auto' })
  }, [virtual, lanes, handLane])
  return virtual
}
