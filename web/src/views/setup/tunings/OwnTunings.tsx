/** Tunings of the player's own: checked while they are typed, kept beside the common ones. */
import { ActionIcon, Button, Group, TextInput } from '@mantine/core'
import { useForm } from '@mantine/form'
import { useStore } from '@nanostores/react'
import {
  type Instrument,
  readTuning,
  stringNumber,
  type Tuning,
  tensionN,
  tuningLetters,
  usualGauge,
  writeTuning,
} from '@nestling/core/neck'
import { midiOf } from '@nestling/core/pitch'
import type { OwnTuning } from '../../../contracts/instrument.ts'
import { IconTrash } from '../../../controls/icons.ts'
import { did } from '../../../state/deeds.ts'
import { addTuning, removeTuning, waits } from '../../../state/instruments.ts'
import { tell } from '../../../state/notices.ts'
import { $session } from '../../../state/session.ts'
import { messageOf } from '../../../words/errors.ts'
import classes from '../SetupView.module.css'

/** Above this a string of the usual gauge for the instrument's own pitch is near breaking. */
const HARD_PULL_N = 130

/** Numbers of the strings that would pull hard on this instrument. */
function hardStrings(tuning: Tuning, { tuning: own, scaleLengthMm }: Instrument): readonly number[] {
  const count = tuning.strings.length
  if (own.strings.length !== count) return []
  return tuning.strings.flatMap((pitch, index) => {
    const made = own.strings[index]
    const pull = made && tensionN(usualGauge(scaleLengthMm, midiOf(made)), scaleLengthMm, midiOf(pitch))
    return pull && pull > HARD_PULL_N ? [stringNumber(index, count)] : []
  })
}

export function OwnTunings() {
  const { tunings, instrument, settings } = useStore($session)
  const form = useForm({
    initialValues: { name: '', tuning: '' },
    validateInputOnChange: ['tuning'],
    validate: {
      name: (name) => (name.trim() === '' ? 'A name of 1 to 40 characters' : null),
      tuning: (text) => {
        const read = text.trim() === '' ? undefined : readTuning(text)
        return read && !read.ok ? messageOf(read.error) : null
      },
    },
  })
  const { name, tuning: text } = form.values
  const read = readTuning(text)
  const hard = read.ok ? hardStrings(read.value, instrument) : []
  const keep = async () => {
    const reply = await addTuning({ name: name.trim(), tuning: text })
    if (!reply.ok) {
      tell.problem('Not kept', reply.message)
      return
    }
    if (!waits(reply.value.id))
      did(`Kept: ${reply.value.name}`, { method: 'DELETE', path: `/api/tunings/${reply.value.id}` })
    form.reset()
  }
  const remove = async (gone: OwnTuning) => {
    const reply = await removeTuning(gone.id)
    if (!reply.ok) return tell.problem('Not deleted', reply.message)
    if (waits(gone.id)) return undefined
    const body = { name: gone.name, tuning: writeTuning(gone) }
    return did(`Deleted: ${gone.name}`, { method: 'POST', path: '/api/tunings', body })
  }
  return (
    <section data-not-on-paper aria-label="Tunings of your own" style={{ marginTop: 18 }}>
      <h2>Tunings of your own</h2>
      <ul className={classes['list']}>
        {tunings.map((tuning) => (
          <li key={tuning.id}>
            <Group gap="xs">
              <strong>{tuning.name}</strong> {tuningLetters(tuning, settings.naming)}
              <ActionIcon
                variant="subtle"
                color="gray"
                size="sm"
                aria-label={`Delete ${tuning.name}`}
                title="Delete"
                onClick={() => void remove(tuning)}
              >
                <IconTrash size={15} />
              </ActionIcon>
            </Group>
          </li>
        ))}
      </ul>
      {tunings.length === 0 && <p className={classes['aside']}>None yet. Four to ten strings, lowest first.</p>}
      <form className={classes['form']} onSubmit={form.onSubmit(() => void keep())}>
        <TextInput
          label="Name of the tuning"
          maxLength={40}
          placeholder="such as Night Heron"
          {...form.getInputProps('name')}
        />
        <TextInput
          label="Its strings, lowest first"
          placeholder="C2 G2 D3 F3 A3 D4"
          spellCheck={false}
          description={
            hard.length > 0
              ? `String ${hard.join(', ')} would pull hard on ${instrument.name}: take a lighter gauge.`
              : undefined
          }
          {...form.getInputProps('tuning')}
        />
        <Button type="submit" size="sm" mt={25} w={160} disabled={!read.ok || name.trim() === ''}>
          Keep the tuning
        </Button>
      </form>
    </section>
  )
}
