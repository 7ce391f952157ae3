/** The tune in time: chords in bars, their voices as threads, the hand and the shapes on one upright neck, the right hand's strokes. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { writeStep } from '@nestling/core/key'
import { computed } from 'nanostores'
import { memo, useEffect, useMemo, useRef, useState } from 'react'
import { $playing } from '../../../sound/transport.ts'
import { $session } from '../../../state/session.ts'
import { fretsWord } from '../../../words/shapes.ts'
import { OWNER, type PathState } from '../usePath.ts'
import { Hand, handScale } from './Hand.tsx'
import { type TuneColumn, tuneLayout } from './layout.ts'
import { Strokes } from './Strokes.tsx'
import classes from './Tune.module.css'
import { Voices, voiceScale } from './Voices.tsx'
import { Whole } from './Whole.tsx'

const $mark = computed($playing, ({ owner, mark }) => (owner === OWNER ? mark : undefined))

export const HEAD = 62
export const VOICES = 168
export const HAND = 208
const FEET = 22
const STROKES = 26
const HEIGHT = HEAD + VOICES + HAND + FEET + STROKES
/** Columns that are drawn beyond what is in sight. */
const MORE_PX = 700

export const Tune = memo(function Tune({ state }: { readonly state: PathState }) {
  const { settings } = useStore($session)
  const mark = useStore($mark)
  const { answer, neck, key } = state
  const { played, found, plan } = answer
  const layout = useMemo(() => tuneLayout(played), [played])
  const pitches = useMemo(() => voiceScale(found.shapes, HEAD, VOICES), [found])
  const frets = useMemo(() => handScale(found.shapes, neck, HEAD + VOICES, HAND), [found, neck])
  const scroller = useRef<HTMLDivElement>(null)
  const [seen, setSeen] = useState({ from: 0, to: 1000 })
  const look = () => {
    const box = scroller.current
    if (box) setSeen({ from: box.scrollLeft, to: box.scrollLeft + box.clientWidth })
  }
  useEffect(() => {
    look()
    window.addEventListener('resize', look)
    return () => window.removeEventListener('resize', look)
  }, [])
  const { chosen } = plan
  const shown = mark ?? chosen
  // The chosen chord, or the one that sounds, stays in sight.
  useEffect(() => {
    const box = scroller.current
    const column = layout.columns[shown]
    if (!box || !column) return
    const third = box.clientWidth / 3
    if (column.x < box.scrollLeft || column.x + column.width > box.scrollLeft + box.clientWidth)
      box.scrollLeft = Math.max(0, column.x - third)
  }, [shown, layout])
  const inSight = ({ x, width }: { readonly x: number; readonly width: number }) =>
    x + width > seen.from - MORE_PX && x < seen.to + MORE_PX
  const columns = layout.columns.filter(inSight)
  const bars = layout.bars.filter(inSight)
  const strings = neck.open.length
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
  if (played.chords.length === 0)
    return (
      <p className={classes['empty']}>
        No chords yet. Type a tune in bars, such as | Dm7 | G7 | Cmaj7 | % |, press / to begin.
      </p>
    )
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
          >
            {bars.map(({ bar, x, width }) => {
              const one = played.bars[bar]
              const written = one && plan.chart.bars[one.written]
              return (
                <g key={bar} className={classes['bar']}>
                  <path d={`M${x + 0.5} 14V${HEIGHT - STROKES}`} data-repeat={written?.opens || undefined} />
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
                  <rect
                    x={x + 1}
                    y={14}
                    width={width - 2}
                    height={HEIGHT - STROKES - 14}
                    rx={8}
                    className={classes['field']}
                  />
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
                    <text x={x + width / 2} y={HEAD + VOICES + HAND / 2} className={classes['none']}>
                      no shape
                    </text>
                  )}
                </g>
              )
            })}
            <g className={classes['drawn']}>
              <Voices state={state} columns={columns} layout={layout} scale={pitches} />
              <Hand
                state={state}
                columns={columns}
                layout={layout}
                scale={frets}
                footY={HEAD + VOICES + HAND + 15}
                strings={strings}
              />
              <Strokes state={state} layout={layout} bars={bars} y={HEIGHT - STROKES} />
            </g>
            <path d={`M${layout.width} 14V${HEIGHT - STROKES}`} className={classes['end']} />
          </svg>
        </div>
      </div>
      <Whole state={state} layout={layout} seen={seen} go={(x) => scroller.current?.scrollTo({ left: x })} />
    </div>
  )
})

/** A name never runs into the next one. */
const nameFit = (text: string, width: number) => {
  const needed = text.length * 9.6
  return needed > width - 14 ? { textLength: width - 16, lengthAdjust: 'spacingAndGlyphs' as const } : {}
}
