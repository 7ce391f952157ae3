/** The player's instruments: one is current in every view; each can be changed, copied or taken away. */
import { Button, Group } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { STANDARD_INSTRUMENT, tuningLetters } from '@nestling/core/neck'
import { useState } from 'react'
import { draftOf, type InstrumentDraft, type KeptInstrument } from '../../../contracts/instrument.ts'
import { UndoNotice } from '../../../controls/UndoNotice.tsx'
import { addInstrument, removeInstrument } from '../../../state/instruments.ts'
import { tell } from '../../../state/notices.ts'
import { $session, chooseInstrument } from '../../../state/session.ts'
import classes from '../SetupView.module.css'
import { InstrumentForm } from './InstrumentForm.tsx'

const NEW_INSTRUMENT: InstrumentDraft = { ...draftOf(STANDARD_INSTRUMENT), name: '' }

export function Instruments() {
  const { instruments, instrument: current, settings } = useStore($session)
  const [adding, setAdding] = useState(false)
  const [chosen, setChosen] = useState(current.id)
  const shown = instruments.find(({ id }) => id === chosen) ?? instruments[0]
  return (
    <div className={classes['columns']}>
      <div>
        <ul className={classes['list']} aria-label="Instruments">
          {instruments.map((instrument) => (
            <li key={instrument.id}>
              <button
                type="button"
                className={classes['pick']}
                aria-pressed={!adding && instrument.id === shown?.id}
                onClick={() => {
                  setAdding(false)
                  setChosen(instrument.id)
                }}
              >
                <strong>{instrument.name}</strong>
                <small>
                  {tuningLetters(instrument.tuning, settings.naming)}
                  {instrument.capo ? ` · capo ${instrument.capo.fret}` : ''}
                  {instrument.id === current.id ? ' · in hand' : ''}
                </small>
              </button>
            </li>
          ))}
        </ul>
        {instruments.length === 0 && (
          <p className={classes['aside']}>
            None is kept yet: a standard guitar is used. Add yours to have its own scale and reach.
          </p>
        )}
        <Button size="compact-sm" variant="default" onClick={() => setAdding(true)}>
          Add an instrument
        </Button>
      </div>
      {adding || !shown ? (
        <InstrumentForm
          key="new"
          title="A new instrument"
          initial={NEW_INSTRUMENT}
          kept={undefined}
          done={(instrument) => {
            setAdding(false)
            setChosen(instrument.id)
          }}
        />
      ) : (
        <div>
          <Group gap="xs" mb="sm">
            <Button
              size="compact-sm"
              disabled={shown.id === current.id}
              onClick={() => void chooseInstrument(shown.id)}
            >
              {shown.id === current.id ? 'In hand' : 'Take in hand'}
            </Button>
            <Button size="compact-sm" variant="default" onClick={() => void remove(shown)}>
              Take away
            </Button>
          </Group>
          <InstrumentForm
            key={`${shown.id}/${shown.version}`}
            title={shown.name}
            initial={draftOf(shown)}
            kept={shown}
            done={() => undefined}
          />
        </div>
      )}
    </div>
  )
}

async function remove(instrument: KeptInstrument) {
  const wasCurrent = $session.get().instrument.id === instrument.id
  const reply = await removeInstrument(instrument.id)
  if (!reply.ok) {
    tell.problem('Not taken away', reply.message)
    return
  }
  const id = `instrument-${instrument.id}`
  const undo = async () => {
    tell.hide(id)
    const back = await addInstrument(draftOf(instrument))
    if (back.ok && wasCurrent) await chooseInstrument(back.value.id)
    if (!back.ok) tell.problem('Not brought back', back.message)
  }
  tell.done(<UndoNotice words={`Taken away: ${instrument.name}`} undo={() => void undo()} />, id)
}
