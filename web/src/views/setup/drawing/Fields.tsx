/** The values, typed on the drawing where they lie. */
import { type Instrument, type InstrumentMeasure, measureLimits, measureOf, withMeasure } from '@nestling/core/neck'
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
  const field = (
    measure: InstrumentMeasure,
    label: string,
    width: number,
    x: number,
    y: number,
    words: { readonly before?: string; readonly after?: string },
  ) => (
    <span className={classes['place']} style={{ left: `${(x / WIDTH) * 100}%`, top: `${(y / height) * 100}%` }}>
      <Field
        label={label}
        value={String(measureOf(instrument, measure))}
        {...words}
        width={width}
        isNumber
        problemOf={(text) => measureProblem(instrument, measure, text)}
        take={(text) => keepField(instrument, measure, text)}
      />
    </span>
  )
  const nutHalf = scale.halfAt(0)
  const bridgeHalf = scale.halfAt(1)
  const reachX = scale.fretX(instrument.lastReachableFret)
  const side = scale.direction
  return (
    <>
      {field('scaleLengthMm', 'Scale length, mm', 40, (scale.nut + scale.bridge) / 2, 16, {
        before: 'scale',
        after: 'mm',
      })}
      {field('spacingNutMm', 'Between strings at the nut, mm', 30, scale.nut - side * 62, MIDDLE_Y + nutHalf + 22, {
        after: 'mm',
      })}
      {field(
        'spacingBridgeMm',
        'Between strings at the bridge, mm',
        34,
        scale.bridge + side * 10,
        MIDDLE_Y + bridgeHalf + 22,
        { after: 'mm' },
      )}
      {field('lastReachableFret', 'Highest fret within reach', 24, reachX + side * 80, HAND_Y, {
        before: 'the hand ends at',
      })}
      {field('frets', 'Number of frets', 24, reachX + side * 168, HAND_Y, { before: 'of' })}
      {field('capo', 'Capo at fret (0: none)', 22, scale.nut - side * 74, HAND_Y + 26, { before: 'capo' })}
      <p
        className={classes['care']}
        style={{ left: `${((side === 1 ? 946 : 0) / WIDTH) * 100}%`, top: `${((HAND_Y - 16) / height) * 100}%` }}
      >
        Pull an end to your widest easy hold. <b>Stop at pain, tingling or numbness.</b>
      </p>
      <span
        className={classes['place']}
        data-at="start"
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
