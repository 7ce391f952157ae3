/** All of the tune as the hand's line, with its parts and endings; the window in view is moved by pressing or dragging. */
import { useStore } from '@nanostores/react'
import type { PathWay } from '@nestling/core/path'
import { memo, type PointerEvent } from 'react'
import { $look, comparedTo } from '../look.ts'
import { partOf } from '../parts.ts'
import type { PathState } from '../usePath.ts'
import { Looks } from './Looks.tsx'
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
  const { compared } = useStore($look)
  const { found, played, plan } = answer
  const scale = WIDTH / Math.max(1, layout.width)
  const places = found.shapes.flatMap((shape) => shape?.indexMm ?? [])
  const [low, high] = [Math.min(...places), Math.max(...places)]
  const y = (mm: number) => 12 + (high > low ? ((mm - low) / (high - low)) * (HEIGHT - 16) : 6)
  const move = (event: PointerEvent<SVGSVGElement>) => {
    const { left, width } = event.currentTarget.getBoundingClientRect()
    go(((event.clientX - left) / width) * layout.width - (seen.to - seen.from) / 2)
  }
  const lineOf = ({ shapes }: PathWay) =>
    layout.columns.flatMap(({ chord, x, width }) => {
      const index = shapes[chord]?.indexMm
      return index === undefined ? [] : [`${x * scale} ${y(index)}H${(x + width) * scale}`]
    })
  const line = lineOf(found)
  const way = comparedTo(found, compared)
  const other = way ? lineOf(way) : []
  const part = partOf(plan, played)
  const [first, last] = [layout.bars[part?.from ?? 0], layout.bars[part?.to ?? 0]]
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
        {part && first && last && (
          <path d={`M${first.x * scale} 2H${(last.x + last.width) * scale}`} className={classes['partLine']} />
        )}
        {other.length > 0 && <path d={`M${other.join('L')}`} className={classes['otherLine']} />}
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
      <Looks />
    </div>
  )
})
