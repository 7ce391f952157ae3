/** Both charts over the same days; a stretch of days that is dragged over is what all above answers for. */
import type { LogDay, TempoDay } from '@nestling/core/practice'
import { memo, useMemo, useRef, useState } from 'react'
import {
  Bar,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import { monthDay, shortDay, weekdayWords } from '../../words/days.ts'
import { counted } from '../../words/shapes.ts'
import { daysAPoint, type Point, pointsOf, ticksOf } from './points.ts'
import classes from './Weeks.module.css'

export interface ChartsProps {
  readonly days: readonly LogDay[]
  readonly tempo: readonly TempoDay[]
  readonly wished: number
  readonly brush: (from: string, to: string) => void
}

const LONG_DAYS = 70
const TEXT = { fontSize: 13, fill: 'var(--soft)' } as const
const MARGIN = { top: 6, right: 12, bottom: 0, left: 0 } as const
const AXIS_WIDTH = 72
const LEFT = { initialDimension: { width: 820, height: 104 } } as const

/** An egg where others have a dot. */
function EggDot({
  cx,
  cy,
  value,
  kind,
}: {
  readonly cx?: number
  readonly cy?: number
  readonly value?: unknown
  readonly kind: 'middle' | 'root' | 'rest'
}) {
  if (cx === undefined || cy === undefined || value === null || value === undefined) return null
  return (
    <ellipse
      cx={cx}
      cy={cy}
      rx={kind === 'middle' ? 5.5 : 6.5}
      ry={kind === 'middle' ? 4.2 : 4.8}
      transform={`rotate(-14 ${cx} ${cy})`}
      className={classes['dot']}
      data-kind={kind}
    />
  )
}

interface Active {
  readonly activeLabel?: string | number | undefined
}
const labelOf = ({ activeLabel }: Active): string | undefined =>
  activeLabel === undefined ? undefined : String(activeLabel)

/** A stretch of days is dragged over in either chart. */
function useBrush(points: readonly Point[], brush: ChartsProps['brush']) {
  const start = useRef<string | undefined>(undefined)
  const [end, setEnd] = useState<string | undefined>(undefined)
  const hands = {
    onMouseDown: (active: Active) => {
      start.current = labelOf(active)
    },
    onMouseMove: (active: Active) => {
      if (start.current !== undefined) setEnd(labelOf(active))
    },
    onMouseUp: (active: Active) => {
      const [a, b] = [start.current, labelOf(active)]
      start.current = undefined
      setEnd(undefined)
      if (a === undefined || b === undefined || a === b) return
      const [from, to] = a < b ? [a, b] : [b, a]
      brush(from, points.find(({ day }) => day === to)?.last ?? to)
    },
  }
  const area = start.current !== undefined && end !== undefined && (
    <ReferenceArea x1={start.current} x2={end} fill="var(--third)" fillOpacity={0.18} />
  )
  return { hands, area }
}

export default function Charts({ days, tempo, wished, brush }: ChartsProps) {
  return (
    <div className={classes['charts']} aria-hidden="true">
      <TempoChart days={days} tempo={tempo} wished={wished} brush={brush} />
      <DaysChart days={days} brush={brush} />
    </div>
  )
}

const TempoChart = memo(function TempoChart({ days, tempo, wished, brush }: ChartsProps) {
  const points = useMemo(() => pointsOf(days, tempo), [days, tempo])
  const { hands, area } = useBrush(points, brush)
  const isLong = days.length > LONG_DAYS
  const tempi = tempo.flatMap(({ middle, onRoot }) => [
    ...(middle === undefined ? [] : [middle]),
    ...(onRoot === undefined ? [] : [onRoot]),
  ])
  const low = tempi.length === 0 ? 40 : Math.floor((Math.min(...tempi) - 4) / 10) * 10
  const high = tempi.length === 0 ? wished : Math.ceil((Math.max(...tempi) + 4) / 10) * 10
  return (
    <ResponsiveContainer width="100%" height={104} {...LEFT}>
      <ComposedChart data={points} margin={MARGIN} accessibilityLayer={false} {...hands}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis dataKey="day" hide />
        <YAxis width={AXIS_WIDTH} domain={[low, high]} tick={TEXT} tickLine={false} axisLine={false} tickCount={4} />
        {wished <= high && <ReferenceLine y={wished} stroke="var(--ease)" strokeDasharray="2 4" />}
        <Tooltip content={<TempoTip />} isAnimationActive={false} cursor={{ stroke: 'var(--rule)' }} />
        <Line
          dataKey="middle"
          stroke="var(--soft)"
          connectNulls
          isAnimationActive={false}
          dot={isLong ? false : <EggDot kind="middle" />}
          activeDot={false}
        />
        <Line
          dataKey="onRoot"
          stroke="var(--third)"
          strokeDasharray="5 4"
          strokeWidth={2}
          connectNulls
          isAnimationActive={false}
          dot={isLong ? false : <EggDot kind="root" />}
          activeDot={false}
        />
        {area}
      </ComposedChart>
    </ResponsiveContainer>
  )
})

const NO_TEMPO: readonly TempoDay[] = []

const DaysChart = memo(function DaysChart({ days, brush }: Pick<ChartsProps, 'days' | 'brush'>) {
  const points = useMemo(() => pointsOf(days, NO_TEMPO), [days])
  const { hands, area } = useBrush(points, brush)
  const isLong = days.length > LONG_DAYS
  const each = daysAPoint(days.length)
  const ticks = useMemo(() => ticksOf(points, each), [points, each])
  return (
    <ResponsiveContainer width="100%" height={86} {...LEFT}>
      <ComposedChart data={points} margin={MARGIN} accessibilityLayer={false} {...hands}>
        <XAxis
          dataKey="day"
          ticks={ticks as string[]}
          tickFormatter={each > 3 ? monthDay : shortDay}
          tick={TEXT}
          tickLine={false}
          axisLine={{ stroke: 'var(--soft)' }}
          interval="preserveStartEnd"
        />
        <YAxis width={AXIS_WIDTH} tick={TEXT} tickLine={false} axisLine={false} tickCount={2} unit=" min" />
        <Tooltip content={<DayTip />} isAnimationActive={false} cursor={{ fill: 'var(--sunk)' }} />
        <Bar
          dataKey="minutes"
          fill="var(--extension)"
          radius={[2, 2, 0, 0]}
          isAnimationActive={false}
          maxBarSize={18}
        />
        <Line
          dataKey="rest"
          stroke="none"
          isAnimationActive={false}
          dot={isLong ? false : <EggDot kind="rest" />}
          activeDot={false}
        />
        {area}
      </ComposedChart>
    </ResponsiveContainer>
  )
})

interface TipProps {
  readonly active?: boolean
  readonly payload?: readonly { readonly payload: Point }[]
}
function TempoTip({ active, payload }: TipProps) {
  const point = payload?.[0]?.payload
  if (!active || !point || (point.middle === null && point.onRoot === null)) return null
  return (
    <p className={classes['tip']}>
      {shortDay(point.day)}: {point.middle !== null && `${point.middle} in the middle`}{' '}
      {point.onRoot !== null && `${point.onRoot} on the root`}
    </p>
  )
}
function DayTip({ active, payload }: TipProps) {
  const point = payload?.[0]?.payload
  if (!active || !point) return null
  return (
    <p className={classes['tip']}>
      {point.day === point.last
        ? `${weekdayWords(point.day)} ${shortDay(point.day)}`
        : `${shortDay(point.day)} to ${shortDay(point.last)}`}
      : {point.minutes === null ? 'rest' : counted(Math.round(point.minutes), 'minute')}
    </p>
  )
}
