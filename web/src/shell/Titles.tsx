/**
 * What a pointer is told when it rests on something (its title) is shown to the keyboard that comes there and to the finger
 * that taps it too. A screen reader has it from the element itself.
 */
import { useEffect, useState } from 'react'
import classes from './Titles.module.css'

/** As long as a tapped one stays. */
const TAPPED_MS = 4000
const GAP_PX = 6
const MOST_WIDTH_PX = 320
/** Below this there is no room for it under what it belongs to. */
const ROOM_PX = 64

interface Shown {
  readonly words: string
  readonly left: number
  /** From the top of the window, or from its bottom where it stands above. */
  readonly top?: number
  readonly bottom?: number
}

function placed(target: EventTarget | null): Shown | undefined {
  const titled = target instanceof Element ? target.closest('[title]') : null
  const words = titled?.getAttribute('title')?.trim()
  if (!titled || !words || titled.closest('#over')) return undefined
  const { left, top, bottom } = titled.getBoundingClientRect()
  const at = Math.max(8, Math.min(left, window.innerWidth - MOST_WIDTH_PX - 8))
  if (window.innerHeight - bottom < ROOM_PX) return { words, left: at, bottom: window.innerHeight - top + GAP_PX }
  return { words, left: at, top: bottom + GAP_PX }
}

export function Titles() {
  const [shown, setShown] = useState<Shown | undefined>(undefined)
  useEffect(() => {
    let waiting = 0
    // A tap moves the focus after it.
    let isTapped = false
    const hide = () => {
      clearTimeout(waiting)
      setShown(undefined)
    }
    // What was clicked has the pointer on it already.
    const onFocus = ({ target }: FocusEvent) => {
      if (!(target instanceof Element) || !target.matches(':focus-visible') || target.matches('input')) return
      hide()
      isTapped = false
      setShown(placed(target))
    }
    const onLeave = () => !isTapped && hide()
    const onTap = ({ target, pointerType }: PointerEvent) => {
      hide()
      isTapped = pointerType === 'touch'
      if (!isTapped) return
      setShown(placed(target))
      waiting = window.setTimeout(hide, TAPPED_MS)
    }
    const onKey = ({ key }: KeyboardEvent) => key === 'Escape' && hide()
    const events = [
      ['focusin', onFocus],
      ['focusout', onLeave],
      ['pointerup', onTap],
      ['pointercancel', hide],
      ['keydown', onKey],
    ] as const
    for (const [name, act] of events) document.addEventListener(name, act as EventListener)
    window.addEventListener('scroll', hide, true)
    return () => {
      clearTimeout(waiting)
      for (const [name, act] of events) document.removeEventListener(name, act as EventListener)
      window.removeEventListener('scroll', hide, true)
    }
  }, [])
  if (!shown) return null
  const { words, ...place } = shown
  return (
    <div aria-hidden="true" data-testid="title" className={classes['title']} style={place}>
      {words}
    </div>
  )
}
