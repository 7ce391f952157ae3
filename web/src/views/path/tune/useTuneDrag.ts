/**
 * What is dragged in the tune: a chord's name to another chord's place, a voice to another tone, a shape along the neck.
 * Nothing changes before it is let go; `Escape` leaves all as it was.
 */
import type { Chord } from '@nestling/core/chord'
import { degreePitchClass, pitchClassOf } from '@nestling/core/pitch'
import { lowestPressed } from '@nestling/core/voicing'
import { type PointerEvent as ReactPointerEvent, useCallback, useEffect, useRef, useState } from 'react'
import { changePlaces, takeWanted, wishTop } from '../edits.ts'
import type { PathState } from '../usePath.ts'
import type { HandScale } from './Hand.tsx'
import { type TuneLayout, voicesOf } from './layout.ts'
import type { VoiceScale } from './Voices.tsx'

export type Dragged =
  | { readonly kind: 'chord'; readonly chord: number; readonly to: number; readonly x: number }
  | {
      readonly kind: 'voice'
      readonly chord: number
      readonly voice: number
      readonly isTop: boolean
      readonly midi: number
    }
  | { readonly kind: 'shape'; readonly chord: number; readonly by: number }

export interface TuneScales {
  readonly layout: TuneLayout
  readonly pitches: VoiceScale
  readonly frets: HandScale
}

/** A press that moves less is a press. */
const STILL_PX = 5
/** So near a voice is taken. */
const NEAR_PX = 13

/** The tone of a chord that is nearest to a height. */
export function toneNear(chord: Chord, y: number, scale: Pick<VoiceScale, 'y'>): number {
  const root = pitchClassOf(chord.root)
  const tones = new Set(chord.formula.map((degree) => (root + degreePitchClass(degree)) % 12))
  if (chord.bass !== undefined) tones.add(pitchClassOf(chord.bass))
  let best = 0
  for (let midi = 24; midi <= 100; midi++)
    if (tones.has(midi % 12) && Math.abs(scale.y(midi) - y) < Math.abs(scale.y(best) - y)) best = midi
  return best
}

interface Pressed {
  readonly x: number
  readonly y: number
  readonly begin: (x: number, y: number) => Dragged | undefined
}

export function useTuneDrag(state: PathState, { layout, pitches, frets }: TuneScales) {
  const [dragged, setDragged] = useState<Dragged | undefined>(undefined)
  const pressed = useRef<Pressed | undefined>(undefined)
  const now = useRef<Dragged | undefined>(undefined)
  const show = useCallback((next: Dragged | undefined) => {
    now.current = next
    setDragged(next)
  }, [])
  const end = useCallback(() => {
    pressed.current = undefined
    show(undefined)
  }, [show])
  const isDragging = dragged !== undefined
  useEffect(() => {
    if (!isDragging) return undefined
    const leave = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return
      event.stopPropagation()
      end()
    }
    window.addEventListener('keydown', leave, true)
    return () => window.removeEventListener('keydown', leave, true)
  }, [isDragging, end])

  const columnAt = (x: number) => layout.columns.findLast((column) => column.x <= x) ?? layout.columns[0]
  const placeOf = ({ currentTarget, clientX, clientY }: ReactPointerEvent<SVGSVGElement>) => {
    const { left, top } = currentTarget.getBoundingClientRect()
    return { x: clientX - left, y: clientY - top }
  }

  /** What a press at this place would drag, made anew at every move. */
  function beginnerAt(x: number, y: number): Pressed['begin'] | undefined {
    const chord = columnAt(x)?.chord
    if (chord === undefined) return undefined
    const one = state.answer.played.chords[chord]
    const shape = state.answer.found.shapes[chord]
    if (!one) return undefined
    if (y < pitches.top) return (atX) => ({ kind: 'chord', chord, to: columnAt(atX)?.chord ?? chord, x: atX })
    if (!shape) return undefined
    if (y < pitches.bottom) {
      const voices = voicesOf(shape)
      const distance = ({ midi }: (typeof voices)[0]) => Math.abs(pitches.y(midi) - y)
      const nearest = voices.toSorted((a, b) => distance(a) - distance(b))[0]
      if (!nearest || distance(nearest) > NEAR_PX) return undefined
      const voice = voices.indexOf(nearest)
      return (_, atY) => ({
        kind: 'voice',
        chord,
        voice,
        isTop: voice === voices.length - 1,
        midi: toneNear(one.chord, atY, pitches),
      })
    }
    const lowest = lowestPressed(shape.frets)
    if (lowest === 0) return undefined
    const fretAt = (at: number) =>
      frets.frets.reduce((best, fret) => (Math.abs(fret.y - at) < Math.abs(best.y - at) ? fret : best)).fret
    const start = fretAt(y)
    return (_, atY) => ({ kind: 'shape', chord, by: Math.max(1 - lowest, fretAt(atY) - start) })
  }

  function letGo(drag: Dragged) {
    if (drag.kind === 'chord') {
      if (drag.to !== drag.chord) changePlaces(state, drag.chord, drag.to)
      return
    }
    const shape = state.answer.found.shapes[drag.chord]
    if (!shape) return
    if (drag.kind === 'shape') {
      if (drag.by !== 0) {
        const not = lowestPressed(shape.frets)
        void takeWanted(state, drag.chord, { kind: 'place', fret: not + drag.by, not })
      }
      return
    }
    if (voicesOf(shape)[drag.voice]?.midi === drag.midi) return
    if (drag.isTop) wishTop(state, drag.chord, drag.midi)
    else void takeWanted(state, drag.chord, { kind: 'tone', voice: drag.voice, midi: drag.midi })
  }

  return {
    dragged,
    handlers: {
      onPointerDown(event: ReactPointerEvent<SVGSVGElement>) {
        if (event.button !== 0) return
        const place = placeOf(event)
        // By touch the tune scrolls; the chosen chord is what can be dragged.
        if (event.pointerType !== 'mouse' && columnAt(place.x)?.chord !== state.answer.plan.chosen) return
        const begin = beginnerAt(place.x, place.y)
        pressed.current = begin && { ...place, begin }
      },
      onPointerMove(event: ReactPointerEvent<SVGSVGElement>) {
        if (!pressed.current) return
        const { x, y } = placeOf(event)
        if (!now.current && Math.hypot(x - pressed.current.x, y - pressed.current.y) < STILL_PX) return
        if (!now.current) event.currentTarget.setPointerCapture(event.pointerId)
        show(pressed.current.begin(x, y))
      },
      onPointerUp() {
        const drag = now.current
        end()
        if (drag) letGo(drag)
      },
      onPointerCancel: end,
    },
  }
}
