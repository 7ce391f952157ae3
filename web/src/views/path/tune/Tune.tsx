/** The tune in time: chords in bars, their voices as threads, the hand and the shapes on one upright neck, the right hand's strokes. */
import { useStore } from '@nanostores/react'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { $look, $mark, comparedTo, scaleBy } from '../look.ts'
import type { PathState } from '../usePath.ts'
import { Bars, Columns, Empty, HEAD } from './Columns.tsx'
import { Dragged } from './Dragged.tsx'
import { Hand, handScale } from './Hand.tsx'
import { isNarrow, tuneLayout } from './layout.ts'
import { Strokes } from './Strokes.tsx'
import classes from './Tune.module.css'
import { useTuneDrag } from './useTuneDrag.ts'
import { Voices, voiceScale } from './Voices.tsx'
import { Whole } from './Whole.tsx'

export const VOICES = 168
export const HAND = 208
const FEET = 22
const STROKES = 26
const HEIGHT = HEAD + VOICES + HAND + FEET + STROKES
/** Columns that are drawn beyond what is in sight. */
const MORE_PX = 700

export const Tune = memo(function Tune({ state }: { readonly state: PathState }) {
  const mark = useStore($mark)
  const { scale, compared } = useStore($look)
  const { answer, neck } = state
  const { played, found, plan } = answer
  const [room, setRoom] = useState(0)
  const layout = useMemo(() => tuneLayout(played, { scale, room }), [played, scale, room])
  const pitches = useMemo(() => voiceScale(found.shapes, HEAD, VOICES), [found])
  const other = comparedTo(found, compared)
  const frets = useMemo(
    () => handScale([...found.shapes, ...(other?.shapes ?? [])], neck, HEAD + VOICES, HAND),
    [found, other, neck],
  )
  const scroller = useRef<HTMLDivElement>(null)
  const [seen, setSeen] = useState({ from: 0, to: 1000 })
  const look = useCallback(() => {
    const box = scroller.current
    if (!box) return
    setSeen({ from: box.scrollLeft, to: box.scrollLeft + box.clientWidth })
    setRoom(box.clientWidth)
  }, [])
  useEffect(() => {
    look()
    window.addEventListener('resize', look)
    return () => window.removeEventListener('resize', look)
  }, [look])
  const { chosen } = plan
  const shown = mark ?? chosen
  // The chosen chord, or the one that sounds, stays in sight.
  useEffect(() => {
    const box = scroller.current
    const column = layout.columns[shown]
    if (!box || !column) return
    const third = box.clientWidth / 3
    if (isNarrow(box.clientWidth)) box.scrollLeft = column.x
    else if (column.x < box.scrollLeft || column.x + column.width > box.scrollLeft + box.clientWidth)
      box.scrollLeft = Math.max(0, column.x - third)
  }, [shown, layout])
  useEffect(() => {
    const box = scroller.current
    if (!box) return undefined
    // React listens passively, and the browser would zoom the page.
    const wheel = (event: WheelEvent) => {
      if (!event.ctrlKey) return
      event.preventDefault()
      scaleBy(event.deltaY < 0 ? 1 : -1)
    }
    box.addEventListener('wheel', wheel, { passive: false })
    return () => box.removeEventListener('wheel', wheel)
  }, [])
  const inSight = ({ x, width }: { readonly x: number; readonly width: number }) =>
    x + width > seen.from - MORE_PX && x < seen.to + MORE_PX
  const columns = layout.columns.filter(inSight)
  const bars = layout.bars.filter(inSight)
  const strings = neck.open.length
  const { dragged, handlers } = useTuneDrag(state, { layout, pitches, frets })
  if (played.chords.length === 0) return <Empty />
  return (
    <div className={classes['tune']}>
      <div className={classes['sheet']}>
        <svg width={64} height={HEIGHT} viewBox={`0 0 64 ${HEIGHT}`} className={classes['gutter']} aria-hidden="true">
          <text x={0} y={HEAD + 12} className={classes['head']}>
            Voices
          </text>
          {pitches.marks.map(({ y, name }) => (
            <text key={name} x={60} y={y + 4} className={classes['mark']}>
              {name}
            </text>
          ))}
          <text x={0} y={HEAD + VOICES + 12} className={classes['head']}>
            Hand
          </text>
          {frets.frets.map(({ fret, y }) => (
            <text
              key={fret}
              x={60}
              y={y + 4}
              className={classes['mark']}
              data-landmark={[3, 5, 7, 9, 12, 15].includes(fret) || undefined}
            >
              {fret}
            </text>
          ))}
          <text x={60} y={HEAD + VOICES + HAND + 15} className={classes['mark']}>
            fingers
          </text>
        </svg>
        <div ref={scroller} className={classes['scroller']} onScroll={look} data-testid="tune-scroller">
          <svg
            width={layout.width + 8}
            height={HEIGHT}
            viewBox={`0 0 ${layout.width + 8} ${HEIGHT}`}
            role="group"
            aria-label="The tune, chord by chord"
            data-testid="tune"
            data-dragging={dragged?.kind}
            className={classes['drawing']}
            {...handlers}
          >
            <g aria-hidden>
              <Bars state={state} bars={bars} height={HEIGHT - STROKES} />
            </g>
            <Columns state={state} columns={columns} height={HEIGHT - STROKES} noneY={HEAD + VOICES + HAND / 2} />
            <g className={classes['drawn']} aria-hidden>
              <Voices state={state} columns={columns} layout={layout} scale={pitches} />
              <Hand state={state} columns={columns} scale={frets} footY={HEAD + VOICES + HAND + 15} strings={strings} />
              <Strokes state={state} layout={layout} bars={bars} y={HEIGHT - STROKES} />
            </g>
            {dragged && (
              <Dragged
                state={state}
                drag={dragged}
                layout={layout}
                pitches={pitches}
                frets={frets}
                neck={neck}
                bottom={HEIGHT - STROKES}
              />
            )}
            <path d={`M${layout.width} 14V${HEIGHT - STROKES}`} className={classes['end']} />
          </svg>
        </div>
      </div>
      <Whole state={state} layout={layout} seen={seen} go={(x) => scroller.current?.scrollTo({ left: x })} />
    </div>
  )
})
