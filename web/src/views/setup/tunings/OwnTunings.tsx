/** Tunings of the player's own: checked while they are typed, kept beside the common ones. */
import { ActionIcon, Button, Group, TextInput, Tooltip } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { readTuning, tensionN, tuningLetters, usualGauge } from '@nestling/core/neck'
import { midiOf } from '@nestling/core/pitch'
import { useState } from 'react'
import { IconTrash } from '../../../shell/icons.ts'
import { addTuning, removeTuning } from '../../../state/instruments.ts'
import { tell } from '../../../state/notices.ts'
import { $session } from '../../../state/session.ts'
import classes from '../SetupView.module.css'

/** Above this a string of the usual gauge for the instrument's own pitch is near breaking. */
const HARD_PULL_N = 130

export function OwnTunings() {
  const { tunings, instrument, settings } = useStore($session)
  const [name, setName] = useState('')
  const [text, setText] = useState('')
  const read = text.trim() === '' ? undefined : readTuning(text)
  const hard =
    read?.ok && read.value.strings.length === instrument.tuning.strings.length
      ? read.value.strings.flatMap((pitch, index) => {
          const own = instrument.tuning.strings[index]
          const pull =
            own && tensionN(usualGauge(instrument.scaleLengthMm, midiOf(own)), instrument.scaleLengthMm, midiOf(pitch))
          return pull && pull > HARD_PULL_N ? [read.value.strings.length - index] : []
        })
      : []
  const keep = async () => {
    const answer = await addTuning({ name: name.trim(), tuning: text })
    if (!answer.ok) {
      tell.problem('Not kept', answer.message)
      return
    }
    tell.done(`Kept: ${answer.value.name}`)
    setName('')
    setText('')
  }
  const remove = async (id: number) => {
    const answer = await removeTuning(id)
    if (!answer.ok) tell.problem('Not taken away', answer.message)
  }
  return (
    <section aria-label="Tunings of your own" style={{ marginTop: 18 }}>
      <h2>Tunings of your own</h2>
      <ul className={classes['list']}>
        {tunings.map((tuning) => (
          <li key={tuning.id}>
            <Group gap="xs">
              <strong>{tuning.name}</strong> {tuningLetters(tuning, settings.naming)}
              <Tooltip label="Take away">
                <ActionIcon
                  variant="subtle"
                  color="gray"
                  size="sm"
                  aria-label={`Take away ${tuning.name}`}
                  onClick={() => void remove(tuning.id)}
                >
                  <IconTrash size={15} />
                </ActionIcon>
              </Tooltip>
            </Group>
          </li>
        ))}
      </ul>
      {tunings.length === 0 && <p className={classes['aside']}>None yet. Four to ten strings, lowest first.</p>}
      <form
        className={classes['form']}
        onSubmit={(event) => {
          event.preventDefault()
          if (read?.ok && name.trim() !== '') void keep()
        }}
      >
        <TextInput
          label="Name of the tuning"
          value={name}
          maxLength={40}
          placeholder="such as Night Heron"
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <TextInput
          label="Its strings, lowest first"
          value={text}
          placeholder="C2 G2 D3 F3 A3 D4"
          spellCheck={false}
          onChange={(event) => setText(event.currentTarget.value)}
          error={read && !read.ok ? read.error.message : undefined}
          description={
            hard.length > 0
              ? `String ${hard.join(', ')} would pull hard on ${instrument.name}: take a lighter gauge.`
              : undefined
          }
        />
        <Button type="submit" size="sm" mt={25} w={160} disabled={!read?.ok || name.trim() === ''}>
          Keep the tuning
        </Button>
      </form>
    </section>
  )
}
