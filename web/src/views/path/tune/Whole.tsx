/** All of the tune as the hand's line, with its parts and endings; the window in view is moved by pressing or dragging. */
import { memo, type PointerEvent } from 'react'
import type { PathState } from '../usePath.ts'
import type { TuneLayout } from './layout.ts'
import classes from './Tune.module.css'

export interface WholeProps {
  readonly state: PathState
  readonly layout: TuneLayout
  readonly seen: { readonly from: number; readonly to: number }
  readonly go: (x: number) => unknown
}

const WIDTH = 860
const HEIGHT = 30

export const Whole = memo(function Whole({ state, layout, seen, go }: WholeProps) {
  const { answer } = state
  const { found, played, plan } = answer
  const scale = WIDTH / Math.max(1, layout.width)
  const places = found.shapes.flatMap((shape) => shape?.indexMm ?? [])
  const [low, high] = [Math.min(...places), Math.max(...places)]
  const y = (mm: number) => 12 + (high > low ? ((mm - low) / (high - low)) * (HEIGHT - 16) : 6)
  const move = (event: PointerEvent<SVGSVGElement>) => {
    const { left, width } = event.currentTarget.getBoundingClientRect()
    go(((event.clientX - left) / width) * layout.width - (seen.to - seen.from) / 2)
  }
  const line = layout.columns.flatMap(({ chord, x, width }) => {
    const index = found.shapes[chord]?.indexMm
    return index === undefined ? [] : [`${x * scale} ${y(index)}H${(x + width) * scale}`]
  })
  return (
    <div className={classes['whole']}>
      <span>whole tune</span>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        aria-hidden="true"
        data-testid="whole-tune"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          move(event)
        }}
        onPointerMove={(event) => event.buttons === 1 && move(event)}
      >
        <rect
          x={Math.max(0, seen.from * scale)}
          y={1}
          width={Math.min(WIDTH, (seen.to - seen.from) * scale)}
          height={HEIGHT - 2}
          rx={5}
          className={classes['window']}
        />
        {line.length > 0 && <path d={`M${line.join('L')}`} className={classes['line']} />}
        {layout.bars.map(({ bar, x }) => {
          const written = plan.chart.bars[played.bars[bar]?.written ?? -1]
          const told = written?.part ?? (written?.ending === undefined ? undefined : `${written.ending}.`)
          return told === undefined ? null : (
            <text key={bar} x={x * scale + 3} y={11}>
              {told}
            </text>
          )
        })}
      </svg>
    </div>
  )
})
