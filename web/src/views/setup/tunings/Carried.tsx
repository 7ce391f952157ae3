/** The tray in another tuning: the same fingers and what they become, the same notes and where they go. */
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { namesOf } from '@nestling/core/name'
import { neckOf, readTuning, type Tuning, writeTuning } from '@nestling/core/neck'
import { pitchAt, plainName, writePitch } from '@nestling/core/pitch'
import { type Frets, midisOf, readShape, sameFingers, samePitchesIn, writeShape } from '@nestling/core/voicing'
import { useMemo } from 'react'
import type { TrayShape } from '../../../contracts/tray.ts'
import { $session, $setting } from '../../../state/session.ts'
import { $tray } from '../../../state/tray.ts'
import classes from '../SetupView.module.css'

interface Carriage {
  readonly id: string
  readonly symbol: string
  readonly shape: string
  readonly fingers: string
  readonly notes: string
}

export function Carried({ to }: { readonly to: Tuning }) {
  const { shapes } = useStore($tray)
  const { settings, instrument } = useStore($session)
  const { hand } = useStore($setting)
  const carried = useMemo(() => {
    const neck = neckOf({ ...instrument, tuning: to, capo: undefined })
    const symbolOf = (chord: Parameters<typeof writeSymbol>[0]) =>
      writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
    const carry = ({ id, chord, shape, tuning }: TrayShape): Carriage | undefined => {
      const read = readSymbol(chord)
      const strings = readTuning(tuning)
      const frets = readShape(shape)
      if (!read.ok || !strings.ok || !frets.ok) return undefined
      const before = neckOf({ ...instrument, tuning: strings.value, capo: undefined, frets: 36, lastReachableFret: 36 })
      const same = sameFingers(frets.value, neck)
      const name = same && namesOf(same, neck)[0]
      const midis = midisOf(frets.value, before)
      const { shapes: places, unreachable } = samePitchesIn(midis, neck, { reachLimitMm: hand.stretchMm, open: true })
      const spelled = (midi: number) => writePitch(pitchAt(plainName(midi % 12), midi), settings.naming)
      return {
        id,
        symbol: symbolOf(read.value),
        shape,
        fingers: same ? (name ? symbolOf(name.chord) : 'one tone') : 'can’t be pressed there',
        notes:
          unreachable.length > 0
            ? `no string has ${unreachable.map(spelled).join(' ')}`
            : places.length === 0
              ? 'not within your reach'
              : best(places).map(writeShape).join(' or '),
      }
    }
    return shapes.flatMap((shape) => carry(shape) ?? [])
  }, [shapes, to, instrument, hand, settings.naming, settings.symbols])
  return (
    <section aria-label="The tray in that tuning">
      <h2>The tray in that tuning</h2>
      {carried.length === 0 ? (
        <p className={classes['aside']}>
          Put shapes in the tray (<kbd>T</kbd> in Build) to see what the same fingers become here, and where the same
          notes go.
        </p>
      ) : (
        <table className={classes['table']}>
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
      <p className={classes['aside']}>Going to {writeTuning(to).replaceAll(',', ' ')}.</p>
    </section>
  )
}

const MOST_PLACES = 2
/** The places nearest to the nut. */
function best(places: readonly Frets[]): readonly Frets[] {
  const highest = (frets: Frets) => Math.max(...frets.map((fret) => fret ?? 0))
  return [...places].sort((a, b) => highest(a) - highest(b)).slice(0, MOST_PLACES)
}
