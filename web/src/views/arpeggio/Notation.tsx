/** Staff and TAB under the neck; they follow the cursor, and a note that is pressed sounds. */
import { useElementSize } from '@mantine/hooks'
import { useStore } from '@nanostores/react'
import { writtenBars } from '@nestling/core/time'
import { useEffect, useMemo, useRef, useState } from 'react'
import { $listening } from '../../ear/listening.ts'
import { type Engraving, engrave } from '../../notation/engrave.ts'
import { $playing } from '../../sound/transport.ts'
import { cutWords } from '../../words/arpeggio.ts'
import classes from './ArpeggioView.module.css'
import { writtenScore } from './toScore.ts'
import { type ArpeggioState, OWNER } from './useArpeggio.ts'

export function Notation({ state }: { readonly state: ArpeggioState }) {
  const { plan, line } = state
  const { ref, width } = useElementSize()
  const box = useRef<HTMLDivElement>(null)
  const [engraving, setEngraving] = useState<Engraving | undefined>(undefined)
  const [problem, setProblem] = useState<string | undefined>(undefined)
  const bars = useMemo(() => (line.order.length === 0 ? [] : writtenBars(writtenScore(line, plan))), [line, plan])
  const strings = line.neck.open.length
  useEffect(() => {
    if (!box.current || width < 100) return undefined
    let current = true
    engrave(box.current, bars, { strings, width: Math.floor(width) }).then(
      (drawn) => {
        if (!current) return
        setProblem(undefined)
        setEngraving(drawn)
      },
      (error: unknown) => current && setProblem(error instanceof Error ? error.message : String(error)),
    )
    return () => {
      current = false
    }
  }, [bars, strings, width])
  return (
    <section aria-label="Notation" className={classes['notation']}>
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
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: the same notes are in the table, with buttons */}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: as above */}
      <div
        ref={box}
        data-testid="notation"
        data-notes={engraving ? line.order.length : undefined}
        onClick={(event) => {
          const place =
            engraving?.elements.findIndex((pair) => pair.some((element) => element.contains(event.target as Node))) ??
            -1
          const index = line.order[place]
          if (index !== undefined) state.select(index)
        }}
      />
      {engraving && <Cursor engraving={engraving} order={line.order} selected={state.selected} />}
    </section>
  )
}

/** Colours the note that sounds, the one that is selected, and those that the ear has judged. */
function Cursor({
  engraving,
  order,
  selected,
}: {
  readonly engraving: Engraving
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
    showSystem(engraving, now)
    return () => {
      for (const element of lit) element.removeAttribute('data-now')
    }
  }, [engraving, now])
  useEffect(() => {
    const chosen = engraving.elements.flatMap((pair, place) => (order[place] === selected ? pair : []))
    if (selected === undefined) return undefined
    showSystem(engraving, order.indexOf(selected))
    for (const element of chosen) element.setAttribute('data-selected', '')
    return () => {
      for (const element of chosen) element.removeAttribute('data-selected')
    }
  }, [engraving, order, selected])
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
function showSystem({ elements, tops, systemPx }: Engraving, place: number): void {
  const pane = elements[place]?.[0]?.closest('section')
  const top = tops[place]
  if (!pane || top === undefined) return
  const { scrollTop, clientHeight } = pane
  if (top < scrollTop || top + systemPx > scrollTop + clientHeight) pane.scrollTop = top
}
