/** Hands on the neck: drag a tone along its string, press an empty place, open or silence a string; by pointer or keyboard. */
import type { Frets } from '@nestling/core/voicing'
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react'
import type { NeckLayout } from '../../../neck/layout.ts'
import {
  $preview,
  nameByHand,
  neckIn,
  setByHand,
  setString,
  toggleString,
  type WorkbenchState,
} from '../../../state/workbench/index.ts'

interface Drag {
  readonly string: number
  readonly from: number
  readonly start: Frets
}

/** A pointer that moved no further than this was held still. */
const STILL_PX = 6

export interface NeckCursor {
  readonly string: number
  readonly fret: number
}

export interface NeckHands {
  /** Where the keyboard stands; none while the neck does not have the focus. */
  readonly cursor: NeckCursor | undefined
  readonly handlers: {
    readonly onPointerDown: (event: PointerEvent<SVGSVGElement>) => void
    readonly onPointerMove: (event: PointerEvent<SVGSVGElement>) => void
    readonly onPointerUp: (event: PointerEvent<SVGSVGElement>) => void
    readonly onPointerCancel: () => void
    readonly onKeyDown: (event: KeyboardEvent<SVGSVGElement>) => void
    readonly onFocus: () => void
    readonly onBlur: () => void
  }
}

function pointIn(event: PointerEvent<SVGSVGElement>, layout: NeckLayout): { readonly x: number; readonly y: number } {
  const box = event.currentTarget.getBoundingClientRect()
  return {
    x: ((event.clientX - box.left) / box.width) * layout.width,
    y: ((event.clientY - box.top) / box.height) * layout.height,
  }
}

export function useNeckHands(state: WorkbenchState, layout: NeckLayout): NeckHands {
  const drag = useRef<Drag | undefined>(undefined)
  /** Where the pointer went down: what it does there it does when it comes up. */
  const pressed = useRef<(NeckCursor & { readonly x: number; readonly y: number }) | undefined>(undefined)
  const [cursor, setCursor] = useState<NeckCursor | undefined>(undefined)
  const { frets } = state

  const move = (fret: number) => {
    const dragging = drag.current
    if (!dragging) return
    const neck = neckIn(state)
    const lowest = neck.firstFret[dragging.string] as number
    const to = fret < lowest ? 0 : Math.min(fret, neck.lastFret)
    const shown = $preview.get()?.frets ?? dragging.start
    if (shown[dragging.string] === to) return
    const moved = dragging.start.with(dragging.string, to)
    $preview.set({ kind: 'drag', frets: moved, chord: nameByHand(state, moved)?.chord })
  }

  const place = (at: NeckCursor) => setString(at.string, frets?.[at.string] === at.fret ? null : at.fret)

  const onKeyDown = (event: KeyboardEvent<SVGSVGElement>) => {
    const at = cursor
    if (!at || event.ctrlKey || event.metaKey || event.altKey) return
    const done = (_: unknown) => {
      event.preventDefault()
      event.stopPropagation()
    }
    const last = layout.strings - 1
    const up = layout.stringY(last) < layout.stringY(0) ? 1 : -1
    const go = (string: number, fret: number) =>
      done(
        setCursor({
          string: Math.min(last, Math.max(0, string)),
          fret: Math.min(layout.lastFret, Math.max(0, fret)),
        }),
      )
    const slide = (by: number) => {
      const held = frets?.[at.string]
      if (held === null || held === undefined) return done(undefined)
      if (setString(at.string, held + by)) setCursor({ ...at, fret: held + by })
      return done(undefined)
    }
    // → leads towards the bridge, whichever way the neck faces.
    switch (event.key) {
      case 'ArrowRight':
        return event.shiftKey ? slide(1) : go(at.string, at.fret + 1)
      case 'ArrowLeft':
        return event.shiftKey ? slide(-1) : go(at.string, at.fret - 1)
      case 'ArrowUp':
        return go(at.string + up, at.fret)
      case 'ArrowDown':
        return go(at.string - up, at.fret)
      case 'Enter':
        return done(place(at))
      case 'x':
      case 'X':
      case 'Delete':
        return done(setString(at.string, null))
      case 'o':
      case 'O':
      case '0':
        return done(setString(at.string, 0))
      case 'Escape':
        return done(event.currentTarget.blur())
      default:
        return undefined
    }
  }

  return {
    cursor,
    handlers: {
      onPointerDown: (event) => {
        if (event.button !== 0) return
        // The pointer does not give the neck the focus: arrow keys go on moving the whole shape.
        event.preventDefault()
        const { x, y } = pointIn(event, layout)
        if (y > layout.bottom + layout.rowHeight / 2) return
        const string = layout.stringAt(y)
        const fret = layout.fretAt(x)
        pressed.current = { string, fret, x: event.clientX, y: event.clientY }
        if (frets?.[string] === fret && fret > 0) {
          drag.current = { string, from: fret, start: frets }
          event.currentTarget.setPointerCapture(event.pointerId)
        }
      },
      onPointerMove: (event) => move(drag.current ? layout.fretAt(pointIn(event, layout).x) : 0),
      onPointerUp: (event) => {
        const dragging = drag.current
        const at = pressed.current
        drag.current = undefined
        pressed.current = undefined
        const moved = $preview.get()?.kind === 'drag' ? $preview.get()?.frets : undefined
        $preview.set(undefined)
        if (dragging) event.currentTarget.releasePointerCapture(event.pointerId)
        if (dragging && moved) {
          // Brought back to where it was, it stays there.
          if (moved[dragging.string] !== dragging.from) setByHand(moved)
          return
        }
        // A press that wandered off was a scroll, or a change of mind.
        if (!at || Math.hypot(event.clientX - at.x, event.clientY - at.y) > STILL_PX) return
        if (at.fret === 0) toggleString(at.string)
        else place(at)
      },
      onPointerCancel: () => {
        drag.current = undefined
        pressed.current = undefined
        $preview.set(undefined)
      },
      onKeyDown,
      onFocus: () => {
        const string = frets?.findLastIndex((fret) => fret !== null) ?? -1
        setCursor((before) => before ?? { string: Math.max(0, string), fret: string < 0 ? 1 : (frets?.[string] ?? 1) })
      },
      onBlur: () => setCursor(undefined),
    },
  }
}
