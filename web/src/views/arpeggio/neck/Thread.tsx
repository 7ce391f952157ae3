/** The thread through the tones, in the order of playing. Of a long line only the bar that sounds is threaded. */
import { useStore } from '@nanostores/react'
import { beatOf, beatsInBar } from '@nestling/core/time'
import { computed } from 'nanostores'
import { memo, useMemo } from 'react'
import type { NeckLayout } from '../../../neck/layout.ts'
import { $playing } from '../../../sound/transport.ts'
import type { ArpeggioLine } from '../plan.ts'
import type { Plan } from '../types.ts'
import { OWNER } from '../useArpeggio.ts'
import classes from './LineNeck.module.css'
import { drawStep, type Point, threadOf } from './thread.ts'

/** More steps than this would hide the tones. */
const MOST_STEPS = 34

export interface ThreadProps {
  readonly line: ArpeggioLine
  readonly plan: Plan
  readonly layout: NeckLayout
}

export const Thread = memo(function Thread(props: ThreadProps) {
  const { order, notes } = props.line
  const thread = useMemo(() => threadOf(order, notes), [order, notes])
  if (thread.steps.length > MOST_STEPS) return <OneBar {...props} />
  return <Drawn {...props} order={order} isWhole />
})

/** Of a long line, the bar that sounds; before it does, the first. */
function OneBar(props: ThreadProps) {
  const { value, metre } = props.plan
  const bar = beatsInBar(metre)
  const $bar = useMemo(
    () => computed($playing, ({ owner, mark = 0 }) => (owner === OWNER ? Math.floor(beatOf(mark, value) / bar) : 0)),
    [value, bar],
  )
  const now = useStore($bar)
  const { order } = props.line
  const shown = useMemo(
    () => order.filter((_, place) => Math.floor(beatOf(place, value) / bar) === now),
    [order, now, value, bar],
  )
  return <Drawn {...props} order={shown} isWhole={false} />
}

function Drawn({
  line: { notes },
  plan,
  layout,
  order,
  isWhole,
}: ThreadProps & { readonly order: readonly number[]; readonly isWhole: boolean }) {
  const { steps, start, turns, backTheSameWay } = useMemo(() => threadOf(order, notes), [order, notes])
  const pointOf = (index: number): Point | undefined => {
    const note = notes[index]
    return note && { x: layout.tipX(note.fret), y: layout.stringY(note.string) }
  }
  const begins = start === undefined ? undefined : pointOf(start)
  const { direction } = layout
  return (
    // biome-ignore lint/a11y/noAriaHiddenOnFocusable: lines and letters, nothing in them takes the focus
    <g className={classes['thread']} data-testid="thread" aria-hidden="true">
      {steps.map(({ from, to, sameString }) => {
        const [a, b] = [pointOf(from), pointOf(to)]
        const drawn = a && b && drawStep(a, b, sameString)
        if (!drawn) return null
        return (
          <g key={`${from}:${to}`}>
            <path d={drawn.path} />
            {drawn.arrow && (
              <path
                d="M-5 -4L5 0L-5 4Z"
                transform={`translate(${drawn.arrow.x} ${drawn.arrow.y}) rotate(${drawn.arrow.degrees})`}
                data-arrow
              />
            )}
          </g>
        )
      })}
      {begins && (
        <path
          d="M-5 -6L5 0L-5 6Z"
          transform={`translate(${begins.x - direction * 36} ${begins.y}) rotate(${direction === 1 ? 0 : 180})`}
          data-arrow
          data-testid="thread-start"
        />
      )}
      {isWhole &&
        turns.map((index) => {
          const at = pointOf(index)
          const note = notes[index]
          if (!at || !note) return null
          // Only where nothing else stands beside it.
          const hasRoom =
            backTheSameWay &&
            note.fret >= Math.max(...notes.map(({ fret }) => fret)) &&
            (plan.way !== 'position' || note.fret >= plan.at + 3) &&
            Math.abs(layout.end - at.x) > 230
          const x = at.x + direction * 26
          return (
            <g key={index} data-testid="thread-turn">
              <path d={`M${x} ${at.y + 3}q${direction * 15} 1 ${direction * 13} 8t${-direction * 12} 6`} />
              <path
                d="M-5 -4L5 0L-5 4Z"
                transform={`translate(${x + direction * 1} ${at.y + 17}) rotate(${direction === 1 ? 180 : 0})`}
                data-arrow
              />
              {hasRoom && (
                <text x={x + direction * 22} y={at.y + 20} textAnchor={direction === 1 ? 'start' : 'end'}>
                  turns, and back the same way
                </text>
              )}
            </g>
          )
        })}
    </g>
  )
}
