/** Which peg to turn, which way and how far, with a tone to tune to and the pull of each string. */
import { ActionIcon } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { retuning, type StringChange, stringIndex, type Tuning, tensionN, usualGauge } from '@nestling/core/neck'
import { midiOf, writePitch } from '@nestling/core/pitch'
import { Heads } from '../../../controls/Heads.tsx'
import { IconPlayerPlay } from '../../../controls/icons.ts'
import { hearTone } from '../../../state/playback.ts'
import { $session } from '../../../state/session.ts'
import { counted } from '../../../words/shapes.ts'
import classes from '../SetupView.module.css'

const way = (semitones: number): string =>
  semitones === 0 ? 'stays' : `${semitones > 0 ? 'up' : 'down'} ${counted(Math.abs(semitones), 'semitone')}`

export function Retuning({ to }: { readonly to: Tuning }) {
  const { instrument, settings } = useStore($session)
  const changes = retuning(instrument.tuning, to, instrument.tuning)
  if (!changes)
    return (
      <section aria-label="Directions">
        <h2>Directions</h2>
        <p className={classes['aside']}>
          {instrument.name} has {instrument.tuning.strings.length} strings, this tuning {to.strings.length}. Directions
          need as many of both; choose another instrument above or another tuning.
        </p>
      </section>
    )
  const hear = ({ number, to: pitch }: StringChange) =>
    hearTone({ midi: midiOf(pitch), pitch, string: stringIndex(number, changes.length), fret: 0 }, 'reference tone')
  const risky = changes.filter((change) => change.risky)
  return (
    <section aria-label="Directions">
      <h2>Directions</h2>
      <table className={classes['table']}>
        <Heads of={['string', 'from', 'to', 'turn', 'pull', 'hear']} />
        <tbody>
          {[...changes].reverse().map((change) => {
            // The gauge that is usual for the pitch that the string was made for.
            const gauge = usualGauge(instrument.scaleLengthMm, midiOf(change.from))
            const pull = tensionN(gauge, instrument.scaleLengthMm, midiOf(change.to))
            return (
              <tr key={change.number} data-risky={change.risky || undefined}>
                <td>{change.number}</td>
                <td>{writePitch(change.from, settings.naming)}</td>
                <td>{writePitch(change.to, settings.naming)}</td>
                <td>{way(change.semitones)}</td>
                <td>{Math.round(pull)} N</td>
                <td>
                  <ActionIcon
                    variant="subtle"
                    color="gray"
                    size="sm"
                    aria-label={`Hear string ${change.number}, ${writePitch(change.to, settings.naming)}`}
                    onClick={() => hear(change)}
                  >
                    <IconPlayerPlay size={15} />
                  </ActionIcon>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {risky.length > 0 && (
        <p role="note" className={classes['caution']}>
          {risky.length === 1 ? 'String' : 'Strings'} {risky.map(({ number }) => number).join(', ')} would go more than
          two semitones above the pitch they were made for and can snap. Use a lighter gauge, and wear eye protection.
        </p>
      )}
      <p className={classes['aside']}>
        The pull is an estimate for the gauge that is usual at the string’s own pitch: T = μ (2 L f)², with μ from the
        diameter of steel, 0.86 of it when wound.
      </p>
    </section>
  )
}
