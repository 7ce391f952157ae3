/** The values, typed on the drawing where they lie. */
import { type Instrument, type InstrumentMeasure, measureLimits, measureOf, withMeasure } from '@nestling/core/neck'
import type { ReactNode } from 'react'
import { draftOf, instrumentFrom } from '../../../contracts/instrument.ts'
import { changeHabit, keepInstrument } from '../bench/bench.ts'
import classes from './Drawing.module.css'
import { Field } from './Field.tsx'
import { HAND_Y } from './rows.ts'
import { type BenchScale, LEAST_EASE_MM, MIDDLE_Y, MOST_EASE_MM, WIDTH } from './scale.ts'

export function Fields({
  instrument,
  scale,
  height,
  ease,
}: {
  readonly instrument: Instrument
  readonly scale: BenchScale
  readonly height: number
  readonly ease: number
}) {
  const field = (measure: InstrumentMeasure, label: string, width: number, words: Words) => (
    <Field
      label={label}
      value={String(measureOf(instrument, measure))}
      {...words}
      width={width}
      isNumber
      problemOf={(text) => measureProblem(instrument, measure, text)}
      take={(text) => keepField(instrument, measure, text)}
    />
  )
  const place = (x: number, y: number, what: ReactNode, from?: 'start' | 'end') => (
    <span
      className={classes['place']}
      data-from={from}
      style={{ left: `${(x / WIDTH) * 100}%`, top: `${(y / height) * 100}%` }}
    >
      {what}
    </span>
  )
  const nutHalf = scale.halfAt(0)
  const bridgeHalf = scale.halfAt(1)
  const reachX = scale.fretX(instrument.lastReachableFret)
  const side = scale.direction
  return (
    <>
      {place(
        (scale.nut + scale.bridge) / 2,
        16,
        field('scaleLengthMm', 'Scale length, mm', 40, { before: 'scale', after: 'mm' }),
      )}
      {place(
        scale.nut - side * 62,
        MIDDLE_Y + nutHalf + 22,
        field('spacingNutMm', 'Between strings at the nut, mm', 30, { after: 'mm' }),
      )}
      {place(
        scale.bridge + side * 10,
        MIDDLE_Y + bridgeHalf + 22,
        field('spacingBridgeMm', 'Between strings at the bridge, mm', 34, { after: 'mm' }),
      )}
      {place(
        reachX + side * 14,
        HAND_Y,
        <>
          {field('lastReachableFret', 'Highest fret within reach', 24, { before: 'the hand ends at' })}
          {field('frets', 'Number of frets', 24, { before: 'of' })}
        </>,
        side === 1 ? 'start' : 'end',
      )}
      {place(scale.nut - side * 74, HAND_Y + 26, field('capo', 'Capo at fret (0: none)', 22, { before: 'capo' }))}
      <p
        className={classes['care']}
        style={{ [side === 1 ? 'right' : 'left']: 0, top: `${((HAND_Y - 8) / height) * 100}%` }}
      >
        Pull an end to your widest easy hold. <b>Stop at pain, tingling or numbness.</b>
      </p>
      <span
        className={classes['place']}
        data-from="start"
        style={{ left: `${((side === 1 ? 0 : WIDTH - 130) / WIDTH) * 100}%`, top: `${(HAND_Y / height) * 100}%` }}
      >
        <Field
          label="Ease of the hand, mm"
          value={String(Math.round(ease))}
          before="hand"
          after="mm"
          width={30}
          isNumber
          problemOf={(text) => {
            const mm = numberIn(text)
            return mm >= LEAST_EASE_MM && mm <= MOST_EASE_MM
              ? undefined
              : `an ease of ${LEAST_EASE_MM} to ${MOST_EASE_MM} mm`
          }}
          take={async (text) => {
            await changeHabit({ handComfortMm: numberIn(text) })
            return undefined
          }}
        />
      </span>
    </>
  )
}

interface Words {
  readonly before?: string
  readonly after?: string
}

/** A number as players type it: `7,2` too. */
const numberIn = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.')))

function measureProblem(instrument: Instrument, measure: InstrumentMeasure, text: string): string | undefined {
  const value = numberIn(text)
  const { unit } = measureLimits(measure, instrument)
  if (!Number.isFinite(value))
    return `${unit === 'mm' ? 'a number of millimetres' : 'a fret'}, such as ${measureOf(instrument, measure)}`
  if (unit === 'frets' && !Number.isInteger(value)) return 'a whole fret'
  const read = instrumentFrom(draftOf(withMeasure(instrument, measure, value)))
  return read.ok
    ? undefined
    : (read.problems.find(({ field }) => field === measure)?.message ?? read.problems[0].message)
}

async function keepField(
  instrument: Instrument,
  measure: InstrumentMeasure,
  text: string,
): Promise<string | undefined> {
  const reply = await keepInstrument(draftOf(withMeasure(instrument, measure, numberIn(text))))
  return reply.ok ? undefined : reply.message
}
