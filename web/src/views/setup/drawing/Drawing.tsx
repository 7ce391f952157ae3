/**
 * The instrument to scale, its measures as handles; the hand laid on it at three places; the other instruments under it, on
 * the same millimetres. Every handle is pulled, stepped by keys, or typed in its field.
 */
import { useStore } from '@nanostores/react'
import { type Instrument, type InstrumentMeasure, measureOf, withMeasure } from '@nestling/core/neck'
import { useCallback, useMemo, useRef, useState } from 'react'
import { draftOf } from '../../../contracts/instrument.ts'
import { $session } from '../../../state/session.ts'
import { keepPulled } from '../bench/bench.ts'
import classes from './Drawing.module.css'
import { Fields } from './Fields.tsx'
import { HandBars } from './HandBars.tsx'
import { CapoStrings, MeasureHandle } from './MeasureHandle.tsx'
import { Neck, ScaleLine } from './Neck.tsx'
import { OtherNecks } from './OtherNecks.tsx'
import { OTHER_HEIGHT, OTHERS_Y } from './rows.ts'
import { benchScale, type Point, pulledTo, steppedBy, WIDTH } from './scale.ts'
import { useShownInstrument } from './useShownInstrument.ts'

export function Drawing() {
  const { settings, instruments, instrument: kept } = useStore($session)
  const [pulled, setPulled] = useState<Instrument | undefined>(undefined)
  const [ease, setEase] = useState<number | undefined>(undefined)
  const shown = useShownInstrument(pulled)
  const scale = useMemo(
    () => benchScale(shown, [kept, ...instruments], settings.lowOnTop),
    [shown, kept, instruments, settings.lowOnTop],
  )
  const newest = useRef(shown)
  newest.current = shown
  const others = useMemo(() => instruments.filter(({ id }) => id !== kept.id), [instruments, kept])
  const pull = useCallback(
    (measure: InstrumentMeasure, to: Point) => {
      const value = pulledTo(measure, to, newest.current, scale)
      if (value !== measureOf(newest.current, measure)) setPulled(withMeasure(newest.current, measure, value))
    },
    [scale],
  )
  const release = useCallback(() => {
    const next = newest.current
    if (JSON.stringify(draftOf(next)) !== JSON.stringify(draftOf(kept))) void keepPulled(draftOf(next))
    setPulled(undefined)
  }, [kept])
  const cancel = useCallback(() => setPulled(undefined), [])
  const step = useCallback((measure: InstrumentMeasure, by: 1 | -1, large: boolean) => {
    const value = steppedBy(measure, newest.current, by, large)
    if (value === measureOf(newest.current, measure)) return
    void keepPulled(draftOf(withMeasure(newest.current, measure, value)))
  }, [])
  const handle = { instrument: shown, scale, pull, release, cancel, step }
  const height = OTHERS_Y + others.length * OTHER_HEIGHT + 4
  return (
    <section aria-label="The instrument" className={classes['scroller']}>
      <div className={classes['drawing']}>
        <svg
          viewBox={`0 0 ${WIDTH} ${height}`}
          className={classes['svg']}
          role="group"
          aria-label={`${shown.name}, drawn to scale`}
          data-testid="bench"
        >
          <defs>
            <pattern id="unreachable" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <path d="M0 0V7" stroke="var(--soft)" strokeWidth="1" opacity="0.55" />
            </pattern>
          </defs>
          <Neck instrument={shown} scale={scale} naming={settings.naming} />
          <ScaleLine scale={scale} />
          <MeasureHandle measure="scaleLengthMm" label="Scale length" {...handle} />
          <MeasureHandle measure="spacingNutMm" label="Between strings at the nut" {...handle} />
          <MeasureHandle measure="spacingBridgeMm" label="Between strings at the bridge" {...handle} />
          <MeasureHandle measure="frets" label="Number of frets" {...handle} />
          <MeasureHandle measure="lastReachableFret" label="Highest fret within reach" {...handle} />
          <MeasureHandle measure="capo" label="Capo" {...handle} />
          <CapoStrings instrument={shown} scale={scale} />
          <HandBars instrument={shown} scale={scale} ease={ease ?? settings.handComfortMm} setEase={setEase} />
          <OtherNecks others={others} scale={scale} y={OTHERS_Y} naming={settings.naming} />
        </svg>
        <Fields instrument={shown} scale={scale} height={height} ease={ease ?? settings.handComfortMm} />
      </div>
    </section>
  )
}
