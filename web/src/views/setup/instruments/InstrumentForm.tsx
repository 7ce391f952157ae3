/** Everything about one instrument that the hand and the search need; what is wrong stands beside its field. */
import { Button, Chip, Group, NativeSelect, NumberInput, SegmentedControl, TextInput } from '@mantine/core'
import { useForm } from '@mantine/form'
import { useStore } from '@nanostores/react'
import { readTuning, writeTuning } from '@nestling/core/neck'
import { tuningsOffered } from '@nestling/core/request'
import { useState } from 'react'
import { type InstrumentDraft, instrumentFrom, type KeptInstrument } from '../../../contracts/instrument.ts'
import { TuningChoice } from '../../../controls/TuningChoice.tsx'
import { addInstrument, editInstrument } from '../../../state/instruments.ts'
import { tell } from '../../../state/notices.ts'
import { $player, $session } from '../../../state/session.ts'
import classes from '../SetupView.module.css'

export interface InstrumentFormProps {
  readonly title: string
  readonly initial: InstrumentDraft
  readonly kept: KeptInstrument | undefined
  readonly done: (instrument: KeptInstrument) => void
}

/** What is wrong with each field, in words. */
function problemsIn(draft: InstrumentDraft): Partial<Record<keyof InstrumentDraft, string>> {
  const read = instrumentFrom(draft)
  const problems = read.ok ? [] : read.problems.map(({ field, message }) => [field, message] as const)
  const name = draft.name.trim() === '' ? [['name', 'A name of 1 to 40 characters'] as const] : []
  return Object.fromEntries([...name, ...problems])
}

export function InstrumentForm({ title, initial, kept, done }: InstrumentFormProps) {
  const player = useStore($player)
  const { settings } = useStore($session)
  const [refused, setRefused] = useState<string | undefined>(undefined)
  const form = useForm<InstrumentDraft>({
    initialValues: initial,
    validateInputOnChange: true,
    validate: problemsIn,
  })
  const draft = form.values
  const change = (changes: Partial<InstrumentDraft>) => {
    form.setValues(changes)
    form.validate()
  }
  const strings = readTuning(draft.tuning)
  const count = strings.ok ? strings.value.strings.length : 6
  const listed = tuningsOffered(player)
  const known = listed.find((tuning) => writeTuning(tuning) === draft.tuning)
  const number = (
    field: 'frets' | 'scaleLengthMm' | 'spacingNutMm' | 'spacingBridgeMm' | 'lastReachableFret',
    label: string,
    step = 1,
  ) => (
    <NumberInput
      size="sm"
      label={label}
      step={step}
      allowNegative={false}
      value={draft[field]}
      onChange={(value) => change({ [field]: Number(value) })}
      error={form.errors[field]}
    />
  )
  const save = async () => {
    const reply = kept ? await editInstrument(kept, draft) : await addInstrument(draft)
    setRefused(reply.ok ? undefined : reply.message)
    if (!reply.ok) return
    tell.done(`Kept: ${reply.value.name}`)
    done(reply.value)
  }
  const problems = problemsIn(draft)
  const [firstProblem] = Object.values(problems)
  return (
    <form aria-label={title} onSubmit={form.onSubmit(() => void save())}>
      <div className={classes['form']}>
        <TextInput size="sm" label="Name" maxLength={40} {...form.getInputProps('name')} />
        <TuningChoice
          label="Tuning"
          tunings={listed}
          now={known}
          otherWords="as typed"
          naming={settings.naming}
          take={(tuning) => change({ tuning: writeTuning(tuning), tuningName: tuning.name, capo: null })}
        />
        <TextInput
          size="sm"
          label="Strings, lowest first"
          value={draft.tuning}
          spellCheck={false}
          onChange={(event) => change({ tuning: event.currentTarget.value, tuningName: '' })}
          error={form.errors['tuning']}
        />
        {number('frets', 'Frets')}
        {number('lastReachableFret', 'Highest fret within reach')}
        {number('scaleLengthMm', 'Scale length, mm')}
        {number('spacingNutMm', 'Between strings at the nut, mm', 0.1)}
        {number('spacingBridgeMm', 'Between strings at the bridge, mm', 0.1)}
        <NativeSelect
          size="sm"
          label="Plucked with"
          value={draft.pluck}
          onChange={(event) => change({ pluck: event.currentTarget.value as InstrumentDraft['pluck'] })}
          data={[
            { value: 'pick', label: 'a pick' },
            { value: 'fingers', label: 'fingers' },
            { value: 'thumb-and-fingers', label: 'thumb and fingers' },
          ]}
        />
        <div>
          <span className={classes['aside']}>Played</span>
          <SegmentedControl
            fullWidth
            size="xs"
            aria-label="Played"
            value={draft.handed}
            onChange={(handed) => change({ handed: handed as InstrumentDraft['handed'] })}
            data={[
              { value: 'right', label: 'right-handed' },
              { value: 'left', label: 'left-handed' },
            ]}
          />
        </div>
        <NumberInput
          size="sm"
          label="Capo at fret (0: none)"
          value={draft.capo?.fret ?? 0}
          min={0}
          onChange={(value) =>
            change({ capo: Number(value) > 0 ? { fret: Number(value), strings: draft.capo?.strings ?? 'all' } : null })
          }
          error={form.errors['capo']}
        />
        {draft.capo && (
          <div className={classes['wide']}>
            <span className={classes['aside']}>The capo holds string</span>
            <Chip.Group
              multiple
              value={(draft.capo.strings === 'all' ? allStrings(count) : draft.capo.strings).map(String)}
              onChange={(values) => {
                if (!draft.capo) return
                const held = values.map(Number).sort((a, b) => b - a)
                change({ capo: { ...draft.capo, strings: held.length === count ? 'all' : held } })
              }}
            >
              <div className={classes['chips']}>
                {allStrings(count).map((string) => (
                  <Chip key={string} value={String(string)} size="xs">
                    {string}
                  </Chip>
                ))}
              </div>
            </Chip.Group>
          </div>
        )}
      </div>
      {refused && (
        <p role="alert" className={classes['caution']}>
          Not kept: {refused}. What you typed is still here.
        </p>
      )}
      <Group mt="md">
        <Button type="submit" size="compact-md" disabled={firstProblem !== undefined}>
          {kept ? 'Keep the changes' : 'Keep the instrument'}
        </Button>
        {firstProblem !== undefined && <span className={classes['aside']}>{firstProblem}</span>}
      </Group>
    </form>
  )
}

const allStrings = (count: number): readonly number[] => Array.from({ length: count }, (_, index) => count - index)
