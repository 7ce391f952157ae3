/** Staff and TAB under the neck, fingers below; they follow the cursor, and a note that is pressed sounds. */
import { useElementSize, useMediaQuery } from '@mantine/hooks'
import { useStore } from '@nanostores/react'
import { writtenBars } from '@nestling/core/time'
import { memo, useEffect, useMemo, useRef, useState } from 'react'
import { $listening } from '../../../ear/listening.ts'
import { type Engraving, engrave, scaleFor, smallerScale } from '../../../notation/engrave.ts'
import notation from '../../../notation/notation.module.css'
import { MARK_PX, TempoMark } from '../../../notation/TempoMark.tsx'
import { $playing } from '../../../sound/transport.ts'
import { $session } from '../../../state/session.ts'
import { cutWords } from '../../../words/arpeggio.ts'
import { swingMark } from '../../../words/swing.ts'
import type { ArpeggioLine } from '../plan.ts'
import { $pointed } from '../pointed.ts'
import { writtenScore } from '../toScore.ts'
import { type ArpeggioState, OWNER } from '../useArpeggio.ts'
import classes from './Notation.module.css'

/** Of the pane: its padding above, and the row of fingers below the last TAB. */
const FINGERS_PX = 10

export function Notation({ state }: { readonly state: ArpeggioState }) {
  const { plan, line, loop } = state
  const { settings } = useStore($session)
  const { ref, width } = useElementSize()
  const { ref: pane, height } = useElementSize()
  const box = useRef<HTMLDivElement>(null)
  const [engraving, setEngraving] = useState<Engraving | undefined>(undefined)
  const [problem, setProblem] = useState<string | undefined>(undefined)
  const bars = useMemo(() => (line.order.length === 0 ? [] : writtenBars(writtenScore(line, plan))), [line, plan])
  const strings = line.neck.open.length
  // Where the page scrolls as a whole, the pane is as high as what it holds.
  const isPane = useMediaQuery('(min-width: 821px)') ?? true
  const room = isPane && height > 0 ? height - FINGERS_PX : Number.POSITIVE_INFINITY
  // What came out higher than it should have is drawn once more, smaller.
  const [mended, setMended] = useState({ bars, width: 0, room, scale: 1 })
  const isMended = mended.bars === bars && mended.width === width && mended.room === room
  const scale = isMended ? mended.scale : scaleFor(bars, { strings, width, above: MARK_PX }, room)
  const noteAt = (target: EventTarget): number | undefined => {
    const place =
      engraving?.elements.findIndex((pair) => pair.some((element) => element.contains(target as Node))) ?? -1
    return line.order[place]
  }
  useEffect(() => {
    if (!box.current || width < 100) return undefined
    let current = true
    engrave(box.current, bars, { strings, width: Math.floor(width / scale), repeats: loop, above: MARK_PX }).then(
      (drawn) => {
        if (!current) return
        setProblem(undefined)
        setEngraving(drawn)
        const smaller = isMended && scale === 1 ? undefined : smallerScale(scale, drawn.height, room)
        if (smaller !== undefined) setMended({ bars, width, room, scale: smaller })
      },
      (error: unknown) => current && setProblem(error instanceof Error ? error.message : String(error)),
    )
    return () => {
      current = false
    }
  }, [bars, strings, width, loop, scale, room, isMended])
  return (
    <section ref={pane} aria-label="Notation" className={classes['notation']}>
      <div ref={ref} />
      {problem !== undefined && <p role="alert">The notation could not be drawn: {problem}.</p>}
      {line.cutNotes > 0 && (
        <p className={classes['aside']}>
          The first {line.order.length} notes are written and played; {line.cutNotes} more are left off.
        </p>
      )}
      {line.order.length === 0 && (
        <p className={classes['aside']}>
          No note to write:{' '}
          {line.arpeggio.cut ? cutWords(line.arpeggio.cut, strings) : 'the line has no such tone to start from'}.
        </p>
      )}
      <div className={notation['engraved']} style={scale === 1 ? undefined : { zoom: scale }}>
        {engraving && <TempoMark tempo={settings.tempo} swing={swingMark(settings, plan.metre)} />}
        {engraving && <Bands engraving={engraving} order={line.order} />}
        {/* biome-ignore lint/a11y/useKeyWithClickEvents: the same notes are on the neck, as buttons */}
        {/* biome-ignore lint/a11y/noStaticElementInteractions: as above */}
        <div
          ref={box}
          data-testid="notation"
          data-notes={engraving ? line.order.length : undefined}
          onClick={(event) => {
            const index = noteAt(event.target)
            if (index !== undefined) state.select(index)
          }}
          onPointerOver={(event) => $pointed.set(noteAt(event.target))}
          onPointerLeave={() => $pointed.set(undefined)}
        />
        {engraving && <Fingers engraving={engraving} line={line} />}
      </div>
      {engraving && <Cursor engraving={engraving} scale={scale} order={line.order} selected={state.selected} />}
    </section>
  )
}

/** Under the TAB, which finger plays; ringed where it reaches out of the hand. */
const Fingers = memo(function Fingers({
  engraving: { spots },
  line: { order, notes },
}: {
  readonly engraving: Engraving
  readonly line: ArpeggioLine
}) {
  const systems = [...new Set(spots.map(({ bottom }) => bottom))]
  return (
    <div className={classes['fingers']} aria-hidden="true" data-testid="fingers">
      {systems.map((bottom) => (
        <i key={bottom} style={{ top: bottom + UNDER_PX }}>
          finger
        </i>
      ))}
      {spots.map(({ x, bottom }, place) => {
        const note = notes[order[place] ?? -1]
        return note ? (
          <span key={place} style={{ left: x, top: bottom + UNDER_PX }} data-reaches={note.stretched || undefined}>
            {note.finger ?? '–'}
          </span>
        ) : null
      })}
    </div>
  )
})
const UNDER_PX = 15
const FINGER_PX = 20

/** One band through staff, TAB and finger for what sounds, one for each place of what is pointed at. */
function Bands({ engraving: { spots }, order }: { readonly engraving: Engraving; readonly order: readonly number[] }) {
  const { owner, mark } = useStore($playing)
  const pointed = useStore($pointed)
  const band = (place: number, isPointed: boolean) => {
    const spot = spots[place]
    if (!spot) return null
    const { x, top, bottom } = spot
    return (
      <div
        key={`${place}${isPointed}`}
        className={classes['band']}
        style={{ left: x, top: top + 6, height: bottom - top + UNDER_PX + FINGER_PX - 6 }}
        data-pointed={isPointed || undefined}
        data-testid={isPointed ? 'pointed-band' : 'band'}
      />
    )
  }
  return (
    <>
      {owner === OWNER && mark !== undefined && band(mark, false)}
      {pointed !== undefined && order.map((index, place) => (index === pointed ? band(place, true) : null))}
    </>
  )
}

/** Marks the note that sounds, the one that is selected, and those that the ear has judged. */
function Cursor({
  engraving,
  scale,
  order,
  selected,
}: {
  readonly engraving: Engraving
  readonly scale: number
  readonly order: readonly number[]
  readonly selected: number | undefined
}) {
  const { owner, mark } = useStore($playing)
  const { judgement } = useStore($listening)
  const now = owner === OWNER ? mark : undefined
  useEffect(() => {
    if (now === undefined) return undefined
    const lit = engraving.elements[now] ?? []
    for (const element of lit) element.setAttribute('data-now', '')
    showSystem(engraving, scale, now)
    return () => {
      for (const element of lit) element.removeAttribute('data-now')
    }
  }, [engraving, scale, now])
  useEffect(() => {
    const chosen = engraving.elements.flatMap((pair, place) => (order[place] === selected ? pair : []))
    if (selected === undefined) return undefined
    showSystem(engraving, scale, order.indexOf(selected))
    for (const element of chosen) element.setAttribute('data-selected', '')
    return () => {
      for (const element of chosen) element.removeAttribute('data-selected')
    }
  }, [engraving, scale, order, selected])
  useEffect(() => {
    const told = judgement?.marks ?? []
    for (const [place, { kind }] of told.entries())
      for (const element of engraving.elements[place] ?? []) element.setAttribute('data-heard', kind)
    return () => {
      for (const pair of engraving.elements) for (const element of pair) element.removeAttribute('data-heard')
    }
  }, [engraving, judgement])
  return null
}

/** Of a line longer than its pane, the system of a note that is not wholly in sight comes to the top. */
function showSystem({ elements, spots }: Engraving, scale: number, place: number): void {
  const pane = elements[place]?.[0]?.closest('section')
  const spot = spots[place]
  if (!pane || !spot) return
  const top = spot.top * scale
  const { scrollTop, clientHeight } = pane
  const bottom = (spot.bottom + UNDER_PX + FINGER_PX) * scale
  if (top < scrollTop || bottom > scrollTop + clientHeight) pane.scrollTop = top
}
