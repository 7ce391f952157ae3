/** A list of things to take that is one stop of the keyboard: arrows go to the nearest thing that way, Home and End to the ends. */
import { requireAt } from '@nestling/core/result'
import { type KeyboardEvent, type RefObject, useLayoutEffect, useMemo, useRef } from 'react'

export interface OneStop<Box extends HTMLElement> {
  readonly ref: RefObject<Box | null>
  readonly onKeyDown: (event: KeyboardEvent<Box>) => void
  readonly onFocus: () => void
  readonly onPointerDown: () => void
  /** The keys of a page know such a list by it. */
  readonly 'data-one-stop': true
}

const THINGS = 'button:not(:disabled), a[href], input[type="checkbox"]'
const NOW = '[aria-pressed="true"], [aria-current], [aria-checked="true"]'

const thingsIn = (box: HTMLElement): readonly HTMLElement[] => [...box.querySelectorAll<HTMLElement>(THINGS)]

/** Tab comes to the one that has the focus, or to what is in hand, or to the first. */
function settle(box: HTMLElement | null): void {
  if (!box) return
  const things = thingsIn(box)
  const stop =
    things.find((one) => one === document.activeElement) ?? things.find((one) => one.matches(NOW)) ?? things[0]
  for (const one of things) {
    const tabIndex = one === stop ? '0' : '-1'
    if (one.getAttribute('tabindex') !== tabIndex) one.setAttribute('tabindex', tabIndex)
  }
}

interface Place {
  readonly x: number
  readonly y: number
}

/** A thing aside counts four times as far as one straight ahead. */
const ASIDE = 4
/** px; nearer than this it is not that way. */
const LEAST = 3

/** @returns The index of the nearest place from `at` along `way`, or −1. Places and way in px. */
export function nearestThatWay(at: Place, places: readonly Place[], [dx, dy]: readonly [number, number]): number {
  let best = -1
  let least = Number.POSITIVE_INFINITY
  for (const [index, place] of places.entries()) {
    const across = (place.x - at.x) * dx + (place.y - at.y) * dy
    if (across < LEAST) continue
    const far = across + ASIDE * Math.abs(dx === 0 ? place.x - at.x : place.y - at.y)
    if (far < least) [best, least] = [index, far]
  }
  return best
}

const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/**
 * @param direction −1 where the bridge lies at the left: → leads towards the bridge on every neck.
 * @param own Of a list that is looked at for something else as well.
 */
export function useOneStop<Box extends HTMLElement>(direction: 1 | -1 = 1, own?: RefObject<Box | null>): OneStop<Box> {
  const made = useRef<Box>(null)
  const ref = own ?? made
  // What was only clicked leaves the arrows to the page.
  const pressing = useRef(false)
  const clicked = useRef(false)
  useLayoutEffect(() => settle(ref.current))
  return useMemo(
    () => ({
      ref,
      'data-one-stop': true,
      onFocus: () => {
        clicked.current = pressing.current
        settle(ref.current)
      },
      onPointerDown: () => {
        clicked.current = true
        pressing.current = true
        // The focus comes within the same press.
        setTimeout(() => {
          pressing.current = false
        })
      },
      onKeyDown(event) {
        const things = thingsIn(event.currentTarget)
        const now = things.indexOf(document.activeElement as HTMLElement)
        if (clicked.current || now < 0 || event.ctrlKey || event.metaKey || event.altKey) return
        const way = WAYS[event.key]
        if (!way && event.key !== 'Home' && event.key !== 'End') return
        event.preventDefault()
        event.stopPropagation()
        if (!way) return things.at(event.key === 'Home' ? 0 : -1)?.focus()
        const boxes = things.map((one) => one.getBoundingClientRect())
        const next = nearestThatWay(requireAt(boxes, now), boxes, [way[0] * direction, way[1]])
        things[next]?.focus()
      },
    }),
    [direction, ref],
  )
}
