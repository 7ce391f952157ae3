/** Where the hand can stand: the ruler's numbers, and every place that lies well as a bar at its frets. */
import { type PointerEvent, useMemo, useRef, useState } from 'react'
import { useOneStop } from '../../../controls/useOneStop.ts'
import type { NeckLayout } from '../../../neck/layout.ts'
import { counted } from '../../../words/shapes.ts'
import { clampAt } from '../plan.ts'
import type { ArpeggioState } from '../useArpeggio.ts'
import classes from './Hands.module.css'
import { type HandBar, handBars } from './handBars.ts'

const LANE = 22
/** Below this width a bar tells its fret and millimetres only. */
const WITH_STRETCHES = 176

interface HandsProps {
  readonly state: ArpeggioState
  readonly layout: NeckLayout
}

const percentOf = (layout: NeckLayout) => (units: number) => `${(units / layout.width) * 100}%`

export function Hands({ state, layout }: HandsProps) {
  const { plan, line } = state
  const taken = plan.way === 'position' ? clampAt(plan.at, line.neck) : undefined
  const bars = useMemo(() => handBars(line.positions, taken, layout), [line.positions, taken, layout])
  const lanes = Math.max(1, ...bars.map(({ lane }) => lane + 1))
  const percent = percentOf(layout)
  const side = layout.direction === 1 ? { left: 0 } : { right: 0 }
  const stop = useOneStop<HTMLDivElement>(layout.direction)
  return (
    <div {...stop} role="group" aria-label="Positions along the neck">
      <Ruler state={state} layout={layout} taken={taken} />
      <div className={classes['lanes']} style={{ height: lanes * LANE }}>
        <h2 className={classes['head']} style={side}>
          Hands
          <span>{lanes > 1 && 'take or pull'}</span>
        </h2>
        {Array.from({ length: lanes }, (_, lane) => (
          <i
            key={lane}
            className={classes['rule']}
            style={{
              top: lane * LANE + LANE / 2 - 1,
              left: percent(Math.min(layout.nut, layout.end)),
              width: percent(Math.abs(layout.end - layout.nut)),
            }}
          />
        ))}
        {bars.map((bar) => (
          <Bar key={bar.position.at} bar={bar} isTaken={bar.position.at === taken} state={state} layout={layout} />
        ))}
      </div>
    </div>
  )
}

function Bar({ bar, isTaken, state, layout }: HandsProps & { readonly bar: HandBar; readonly isTaken: boolean }) {
  const { line, change } = state
  const { position, left, width, lane } = bar
  const { at, tones, stretches, gaps, widestMm } = position
  // Pulled along the neck: the fret at which it would be let go.
  const [pulled, setPulled] = useState<number | undefined>(undefined)
  const from = useRef<{ readonly x: number; readonly units: number } | undefined>(undefined)
  const wasPulled = useRef(false)
  const percent = percentOf(layout)
  const shift = pulled === undefined ? 0 : layout.tipX(pulled) - layout.tipX(at)
  const down = (event: PointerEvent<HTMLButtonElement>) => {
    const box = event.currentTarget.parentElement?.getBoundingClientRect()
    if (!box || event.button !== 0) return
    from.current = { x: event.clientX, units: layout.width / box.width }
    event.currentTarget.setPointerCapture(event.pointerId)
  }
  const move = (event: PointerEvent) => {
    if (!from.current) return
    const by = (event.clientX - from.current.x) * from.current.units
    const target = layout.tipX(at) + by
    const nearest = line.positions.reduce((best, one) =>
      Math.abs(layout.tipX(one.at) - target) < Math.abs(layout.tipX(best.at) - target) ? one : best,
    )
    if (pulled !== undefined || nearest.at !== at) setPulled(nearest.at)
  }
  const end = () => {
    from.current = undefined
    setPulled(undefined)
  }
  const stretchWords = stretches === 0 ? 'no stretch' : counted(stretches, 'stretch', 'stretches')
  const mm = `${Math.round(widestMm)} mm`
  const told = `${counted(tones, 'tone')}, ${stretchWords}, ${mm}${gaps > 0 ? `, ${counted(gaps, 'tone')} missing in between` : ''}`
  return (
    <button
      type="button"
      className={classes['bar']}
      style={{ left: percent(left + shift), width: percent(width), top: lane * LANE }}
      aria-pressed={isTaken}
      aria-label={`hand at fret ${at}: ${told}`}
      title={told}
      data-testid="hand-bar"
      data-at={at}
      data-pulled={pulled !== undefined || undefined}
      onPointerDown={down}
      onPointerMove={move}
      onPointerCancel={end}
      onPointerUp={() => {
        wasPulled.current = pulled !== undefined
        if (pulled !== undefined && pulled !== at) change({ way: 'position', at: pulled })
        end()
      }}
      onClick={() => {
        // Letting go of what was pulled is a click as well.
        if (!wasPulled.current) change({ way: 'position', at })
        wasPulled.current = false
      }}
    >
      <b>at {pulled ?? at}</b>
      <span>{pulled !== undefined ? 'let go here' : width >= WITH_STRETCHES ? `${stretchWords}, ${mm}` : mm}</span>
    </button>
  )
}

/** The neck's own fret numbers: each takes the hand there. */
function Ruler({ state, layout, taken }: HandsProps & { readonly taken: number | undefined }) {
  const { line, change } = state
  const { positions, neck } = line
  const percent = percentOf(layout)
  const places = new Map(positions.map((one) => [one.at, one]))
  const middle = (fret: number) => (layout.fretX(fret) + layout.fretX(fret - 1)) / 2
  const move = (by: number) => taken !== undefined && change({ way: 'position', at: clampAt(taken + by, neck) })
  const [first, last] = [positions[0]?.at, positions.at(-1)?.at]
  return (
    <div className={classes['ruler']}>
      <span className={classes['at']} style={layout.direction === 1 ? { left: 0 } : { right: 0 }}>
        hand at
      </span>
      {Array.from({ length: layout.lastFret }, (_, index) => index + 1).map((fret) => {
        const place = places.get(fret)
        const style = { left: percent(middle(fret)) }
        if (!place)
          return (
            <span key={fret} className={classes['number']} style={style}>
              {fret}
            </span>
          )
        return (
          <button
            key={fret}
            type="button"
            className={classes['number']}
            style={style}
            aria-label={`hand at fret ${fret}`}
            aria-pressed={fret === taken}
            data-well={place.liesWell || undefined}
            onClick={() => change({ way: 'position', at: fret })}
          >
            {fret}
          </button>
        )
      })}
      {taken !== undefined && (
        <>
          <button
            type="button"
            className={classes['key']}
            style={{ left: percent(layout.fretX(Math.max(0, taken - 1))) }}
            aria-label="Hand one fret down"
            disabled={taken === first}
            onClick={() => move(-1)}
          >
            ←
          </button>
          <button
            type="button"
            className={classes['key']}
            style={{ left: percent(layout.fretX(Math.min(layout.lastFret, taken + 4))) }}
            aria-label="Hand one fret up"
            disabled={taken === last}
            onClick={() => move(1)}
          >
            →
          </button>
        </>
      )}
    </div>
  )
}
