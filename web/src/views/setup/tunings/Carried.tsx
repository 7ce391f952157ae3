/** The tray in another tuning: the same fingers and what they become, the same notes and where they go. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { namesOf } from '@nestling/core/name'
import { neckOf, type Tuning, writeTuning } from '@nestling/core/neck'
import { pitchAt, plainName, withSigns, writePitch } from '@nestling/core/pitch'
import { neckFor } from '@nestling/core/shape'
import { type Frets, midisOf, sameFingers, samePitchesIn } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { $player, $session } from '../../../state/session.ts'
import { $tray, type ShownStep, shownStep } from '../../../state/tray.ts'
import { fretsWord } from '../../../words/shapes.ts'
import classes from '../SetupView.module.css'

interface Carriage {
  readonly id: string
  readonly symbol: string
  readonly shape: string
  readonly fingers: string
  readonly notes: string
}

export function Carried({ to }: { readonly to: Tuning }) {
  const { steps } = useStore($tray)
  const { settings, instrument } = useStore($session)
  const { hand } = useStore($player)
  const carried = useMemo(() => {
    const neck = neckOf({ ...instrument, tuning: to, capo: undefined })
    const symbolOf = (chord: Parameters<typeof writeSymbol>[0]) =>
      writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
    const carry = ({ id, shape, texts }: ShownStep): Carriage | undefined => {
      if (!shape) return undefined
      const before = neckFor(shape)
      const same = sameFingers(shape.frets, neck)
      const name = same && namesOf(same, neck)[0]
      const midis = midisOf(shape.frets, before)
      const { shapes: places, unreachable } = samePitchesIn(midis, neck, { reachLimitMm: hand.stretchMm, open: true })
      const spelled = (midi: number) => writePitch(pitchAt(plainName(midi % 12), midi), settings.naming)
      return {
        id,
        symbol: symbolOf(shape.chord),
        shape: texts.shape?.frets ?? '',
        fingers: same ? (name ? symbolOf(name.chord) : 'one tone') : 'can’t be pressed there',
        notes:
          unreachable.length > 0
            ? `no string has ${unreachable.map(spelled).join(' ')}`
            : places.length === 0
              ? 'not within your reach'
              : best(places).map(fretsWord).join(' or '),
      }
    }
    return steps.flatMap((step) => carry(shownStep(step)) ?? [])
  }, [steps, to, instrument, hand, settings.naming, settings.symbols])
  return (
    <section data-not-on-paper aria-label="The tray in that tuning">
      <h2>The tray in that tuning</h2>
      {carried.length === 0 ? (
        <p className={classes['aside']}>
          Put shapes in the tray (<kbd>T</kbd> in Build) to see what the same fingers become here, and where the same
          notes go.
        </p>
      ) : (
        <table className={classes['table']} aria-label="The tray in that tuning">
          <thead>
            <tr>
              <th scope="col">shape</th>
              <th scope="col">same fingers: it becomes</th>
              <th scope="col">same notes: they go to</th>
            </tr>
          </thead>
          <tbody>
            {carried.map((one) => (
              <tr key={one.id}>
                <td>
                  {one.symbol} {one.shape}
                </td>
                <td>{one.fingers}</td>
                <td>{one.notes}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className={classes['aside']}>Going to {withSigns(writeTuning(to)).replaceAll(',', ' ')}.</p>
    </section>
  )
}

const MOST_PLACES = 2
/** The places nearest to the nut. */
function best(places: readonly Frets[]): readonly Frets[] {
  const highest = (frets: Frets) => Math.max(...frets.map((fret) => fret ?? 0))
  return [...places].sort((a, b) => highest(a) - highest(b)).slice(0, MOST_PLACES)
}
