/** What every drawing of a tune has: bars with their signs, and chords with their names, as buttons. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { writeStep } from '@nestling/core/key'
import { memo } from 'react'
import { $session } from '../../../state/session.ts'
import { fretsWord } from '../../../words/shapes.ts'
import { $mark } from '../look.ts'
import { partOf } from '../parts.ts'
import type { PathState } from '../usePath.ts'
import type { TuneBar, TuneColumn } from './layout.ts'
import classes from './Tune.module.css'

/** Above the first drawing: bar numbers, names, numbers in the key. */
export const HEAD = 62

export const Empty = () => (
  <p className={classes['empty']}>
    No chords yet. Type a tune in bars, such as | Dm7 | G7 | Cmaj7 | % |, press / to begin.
  </p>
)

export interface BarsProps {
  readonly state: PathState
  readonly bars: readonly TuneBar[]
  readonly height: number
}

export const Bars = memo(function Bars({ state, bars, height }: BarsProps) {
  const { played, plan } = state.answer
  const part = partOf(plan, played)
  return (
    <>
      {bars.map(({ bar, x, width }) => {
        const one = played.bars[bar]
        const written = one && plan.chart.bars[one.written]
        return (
          <g
            key={bar}
            className={classes['bar']}
            data-other={(part && (bar < part.from || bar > part.to)) || undefined}
          >
            <path d={`M${x + 0.5} 14V${height}`} data-repeat={written?.opens || undefined} />
            {[...(written?.opens ? [x + 5] : []), ...(written?.closes ? [x + width - 5] : [])].map((dots) => (
              <g key={dots}>
                <circle cx={dots} cy={24} r={1.9} />
                <circle cx={dots} cy={34} r={1.9} />
              </g>
            ))}
            <text x={x + 3} y={10} className={classes['number']}>
              {bar + 1}
            </text>
            {written?.part !== undefined && (
              <text x={x + 24} y={11} className={classes['part']}>
                {written.part}
              </text>
            )}
            {written?.ending !== undefined && (
              <>
                <path d={`M${x + 22} 13V2H${x + width - 4}`} data-ending />
                <text x={x + 27} y={12} className={classes['part']}>
                  {written.ending}.
                </text>
              </>
            )}
          </g>
        )
      })}
    </>
  )
})

export interface ColumnsProps {
  readonly state: PathState
  readonly columns: readonly TuneColumn[]
  readonly height: number
  /** Where it is told that there is no shape. */
  readonly noneY: number
}

export const Columns = memo(function Columns({ state, columns, height, noneY }: ColumnsProps) {
  const { settings } = useStore($session)
  const mark = useStore($mark)
  const { answer, key } = state
  const { played, found, plan } = answer
  const { chosen } = plan
  const tell = ({ chord }: TuneColumn): string => {
    const one = played.chords[chord]
    const shape = found.shapes[chord]
    const step = found.steps[chord]
    if (!one) return ''
    const symbol = writeSymbol(one.chord, { naming: settings.naming, school: settings.symbols })
    const where = shape ? `${fretsWord(shape.frets)}` : 'no shape'
    const hand = step && step.handMm > 0.5 ? `, hand ${Math.round(step.handMm)} millimetres` : ''
    return `bar ${one.bar + 1}, ${symbol}, ${where}${hand}${step ? `, step costs ${step.cost.toFixed(2)}` : ''}`
  }
  return (
    <>
      {columns.map((column) => {
        const { chord, x, width } = column
        const one = played.chords[chord]
        if (!one) return null
        const isHeld = plan.held.some((held) => held.chord === chord)
        return (
          <g
            key={chord}
            role="button"
            tabIndex={chord === chosen ? 0 : -1}
            aria-pressed={chord === chosen}
            aria-label={tell(column)}
            className={classes['column']}
            data-testid="tune-chord"
            data-frets={found.shapes[chord] ? fretsWord(found.shapes[chord].frets) : ''}
            data-held={isHeld || undefined}
            data-sounds={mark === chord || undefined}
            onClick={() => state.choose(chord)}
          >
            <rect x={x + 1} y={14} width={width - 2} height={height - 14} rx={8} className={classes['field']} />
            <text
              x={x + 11}
              y={35}
              className={classes['name']}
              {...nameFit(writeSymbol(one.chord, { naming: settings.naming, school: settings.symbols }), width)}
            >
              {writeSymbol(one.chord, { naming: settings.naming, school: settings.symbols })}
            </text>
            <text x={x + 11} y={50} className={classes['degree']}>
              {key && writeStep(one.chord, key.key, 'capitals')}
              {isHeld && <tspan className={classes['held']}> held</tspan>}
              {plan.melody.some((top) => top.chord === chord) && <tspan className={classes['held']}> top</tspan>}
            </text>
            {found.gaps.some((gap) => gap.chord === chord && gap.reason !== 'outside') && (
              <text x={x + width / 2} y={noneY} className={classes['none']}>
                no shape
              </text>
            )}
          </g>
        )
      })}
    </>
  )
})

/** A name never runs into the next one. */
const nameFit = (text: string, width: number) => {
  const needed = text.length * 9.6
  return needed > width - 14 ? { textLength: width - 16, lengthAdjust: 'spacingAndGlyphs' as const } : {}
}
