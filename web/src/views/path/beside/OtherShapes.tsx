/** The chosen chord's other shapes as reach bars, each with what the whole path would then cost. */
import { type Neck, stringNumber } from '@nestling/core/neck'
import type { Alternative } from '@nestling/core/path'
import { memo } from 'react'
import { useOneStop } from '../../../controls/useOneStop.ts'
import { Egg } from '../../../neck/Egg.tsx'
import { useFacing } from '../../../neck/facing.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { fretsWord } from '../../../words/shapes.ts'
import type { PathState } from '../usePath.ts'
import classes from './Beside.module.css'

const WIDTH = 176
const ROW = 20

export const OtherShapes = memo(function OtherShapes({ state }: { readonly state: PathState }) {
  const { around, answer, neck, chosenShape, takeShape } = state
  const { found } = answer
  const stop = useOneStop<HTMLUListElement>()
  if (!chosenShape) return null
  const others = around?.others ?? []
  const pressed = others.flatMap(({ shape }) => shape.frets.flatMap((fret) => (fret ? [fret] : [])))
  const from = Math.max(0, Math.min(...(pressed.length > 0 ? pressed : [1])) - 1)
  const to = Math.max(from + 5, ...pressed)
  const x = (fret: number) => ((fret - from) / (to - from)) * WIDTH
  return (
    <section aria-label="Other shapes here" className={classes['section']} aria-busy={around === undefined}>
      <h2 className={classes['head']}>
        Other shapes here <span>the whole path</span>
      </h2>
      <ul className={classes['list']} {...stop}>
        {others.map(({ shape, total }) => {
          const isNow = fretsWord(shape.frets) === fretsWord(chosenShape.frets)
          const by = total - found.total
          return (
            <li key={fretsWord(shape.frets)}>
              <button
                type="button"
                aria-pressed={isNow}
                aria-label={`${fretsWord(shape.frets)}, ${orderOf(shape)}: ${isNow ? 'as it is' : `the whole path costs ${Math.abs(by).toFixed(2)} ${by < 0 ? 'less' : 'more'}`}`}
                data-testid="other-shape"
                onClick={() => takeShape(shape.frets)}
              >
                <small>{stringsOf(shape, neck)}</small>
                <Bar shape={shape} x={x} isNow={isNow} />
                <em>{isNow ? total.toFixed(2) : `${by < 0 ? '−' : '+'}${Math.abs(by).toFixed(2)}`}</em>
              </button>
            </li>
          )
        })}
      </ul>
      {around === undefined && <p className={classes['aside']}>counting…</p>}
    </section>
  )
})

function Bar({
  shape,
  x,
  isNow,
}: {
  readonly shape: Alternative['shape']
  readonly x: (fret: number) => number
  readonly isNow: boolean
}) {
  const pressed = shape.frets.flatMap((fret) => (fret ? [fret] : []))
  const [low, high] = pressed.length === 0 ? [0, 1] : [Math.min(...pressed), Math.max(...pressed)]
  const { leftHanded } = useFacing()
  const plainLeft = x(low - 1) + 1
  const width = Math.max(20, x(high) - plainLeft - 1)
  const left = leftHanded ? WIDTH - plainLeft - width : plainLeft
  const bass = shape.degrees.find((degree) => degree !== null) ?? 'R'
  return (
    <svg
      viewBox={`0 0 ${WIDTH + 40} ${ROW}`}
      width={WIDTH + 40}
      height={ROW}
      className={classes['bar']}
      data-now={isNow || undefined}
      aria-hidden="true"
    >
      <rect x={left} y={2} width={width} height={ROW - 4} rx={8} />
      <Egg x={left + 10} y={ROW / 2} size={6.5} degree={bass} />
      <text
        x={width > 70 ? left + 21 : left + width + 4}
        y={ROW / 2 + 4}
        style={width > 70 ? undefined : { fill: 'var(--ink)' }}
      >
        {orderOf(shape)}
      </text>
    </svg>
  )
}

const orderOf = ({ degrees }: Alternative['shape']): string =>
  degrees.flatMap((degree) => (degree ? [degreeSign(degree)] : [])).join(' ')
const stringsOf = ({ frets }: Alternative['shape'], neck: Neck): string =>
  frets.flatMap((fret, string) => (fret === null ? [] : [stringNumber(string, neck.open.length)])).join('')
