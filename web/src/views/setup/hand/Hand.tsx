/** The hand's own reach: measured by the widest shape held at ease at two places, and the usual cautions. */
import { Button, Group, NumberInput, Slider } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { calibratedHand, MEDIUM_HAND, reachBetweenMm } from '@nestling/core/hand'
import { neckOf } from '@nestling/core/neck'
import { useState } from 'react'
import { $session, changeSettings } from '../../../state/session.ts'
import classes from '../SetupView.module.css'

interface Span {
  readonly low: number
  readonly high: number
}

export function Hand() {
  const { settings, instrument } = useStore($session)
  const neck = neckOf(instrument)
  const [spans, setSpans] = useState<readonly [Span, Span]>([
    { low: 1, high: 4 },
    { low: 7, high: 11 },
  ])
  const valid = spans.every(({ low, high }) => low >= 1 && high > low && high <= neck.lastFret)
  const measured = valid ? calibratedHand(neck, spans) : undefined
  const set = (index: 0 | 1, span: Partial<Span>) => {
    const next = { ...spans[index], ...span }
    setSpans(index === 0 ? [next, spans[1]] : [spans[0], next])
  }
  return (
    <div className={classes['thirds']}>
      <section aria-label="Measure the hand">
        <h2>Measure it</h2>
        <p className={classes['aside']}>
          On {instrument.name}, hold down the widest span that is comfortable for a minute, index to little finger on
          neighbouring strings. Once near the nut, once in the middle of the neck.
        </p>
        {([0, 1] as const).map((index) => (
          <Group key={index} gap="sm" mb="xs" align="end">
            <NumberInput
              size="sm"
              w={150}
              label={index === 0 ? 'Near the nut: index at' : 'In the middle: index at'}
              value={spans[index].low}
              min={1}
              max={neck.lastFret}
              onChange={(value) => set(index, { low: Number(value) })}
            />
            <NumberInput
              size="sm"
              w={130}
              label="little finger at"
              value={spans[index].high}
              min={1}
              max={neck.lastFret}
              onChange={(value) => set(index, { high: Number(value) })}
            />
            <span className={classes['aside']}>
              {spans[index].high > spans[index].low && spans[index].high <= neck.lastFret
                ? `${Math.round(reachBetweenMm(neck, spans[index].low, spans[index].high))} mm`
                : `a higher fret, up to ${neck.lastFret}`}
            </span>
          </Group>
        ))}
        <Group>
          <Button
            size="compact-md"
            disabled={!measured}
            onClick={() => measured && void changeSettings({ handComfortMm: clampMm(measured.comfortableMm) })}
          >
            {measured ? `Take ${clampMm(measured.comfortableMm)} mm as my ease` : 'Measure first'}
          </Button>
          <Button
            size="compact-md"
            variant="default"
            onClick={() => void changeSettings({ handComfortMm: MEDIUM_HAND.comfortableMm })}
          >
            A medium hand
          </Button>
        </Group>
      </section>
      <section aria-label="Reach">
        <h2>Ease ends at {settings.handComfortMm} mm</h2>
        <p className={classes['aside']}>
          A stretch goes to {Math.round(settings.handComfortMm * 1.18)} mm; beyond, shapes are left out unless you ask
          for a longer span. The distances between neighbouring fingers follow in proportion.
        </p>
        <Slider
          key={settings.handComfortMm}
          thumbLabel="Comfortable reach in millimetres"
          min={50}
          max={150}
          step={1}
          defaultValue={settings.handComfortMm}
          onChangeEnd={(handComfortMm) => void changeSettings({ handComfortMm })}
        />
      </section>
      <section aria-label="Take care">
        <h2>Take care</h2>
        <ul className={classes['aside']}>
          <li>Warm up before wide shapes; stretches grow over weeks, not in a sitting.</li>
          <li>Stop at pain, tingling or numbness. Rest every 20 to 30 minutes.</li>
          <li>Symptoms that last belong to a physician or a hand therapist, not to an application.</li>
          <li>Keep headphones moderate: if speech beside you is hard to follow, it is too loud.</li>
          <li>
            A string tuned more than two semitones above its design pitch can snap: take another gauge, and wear eye
            protection.
          </li>
        </ul>
      </section>
    </div>
  )
}

const clampMm = (mm: number): number => Math.round(Math.min(150, Math.max(50, mm)))
