/** Everything about one instrument that the hand and the search need; what is wrong stands beside its field. */
import { Button, Chip, Group, NativeSelect, NumberInput, SegmentedControl, TextInput } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { COMMON_TUNINGS, readTuning, writeTuning } from '@nestling/core/neck'
import { useState } from 'react'
import { type InstrumentDraft, instrumentFrom, type KeptInstrument } from '../../../contracts/instrument.ts'
import { addInstrument, editInstrument } from '../../../state/instruments.ts'
import { tell } from '../../../state/notices.ts'
import { $session } from '../../../state/session.ts'
import classes from '../SetupView.module.css'

export interface InstrumentFormProps {
  readonly title: string
  readonly initial: InstrumentDraft
  readonly kept: KeptInstrument | undefined
  readonly done: (instrument: KeptInstrument) => void
}

export function InstrumentForm({ title, initial, kept, done }: InstrumentFormProps) {
  const { tunings } = useStore($session)
  const [draft, setDraft] = useState(initial)
  const [refused, setRefused] = useState<string | undefined>(undefined)
  const change = (changes: Partial<InstrumentDraft>) => setDraft((before) => ({ ...before, ...changes }))
  const read = instrumentFrom(draft)
  const problems = read.ok ? [] : read.problems
  const wrong = (field: keyof InstrumentDraft) => problems.find((problem) => problem.field === field)?.message
  const strings = readTuning(draft.tuning)
  const count = strings.ok ? strings.value.strings.length : 6
  const listed = [...COMMON_TUNINGS, ...tunings]
  const known = listed.find((tuning) => writeTuning(tuning) === draft.tuning)
  const number = (
    field: 'frets' | 'scaleLengthMm' | 'spacingNutMm' | 'spacingBridgeMm' | 'lastReachableFret',
    label: string,
    step = 1,
  ) => (
    <NumberInput
      size="sm"
      label={label}
      value={draft[field]}
      step={step}
      onChange={(value) => change({ [field]: Number(value) })}
      error={wrong(field)}
      allowNegative={false}
    />
  )
  const save = async () => {
    const answer = kept ? await editInstrument(kept, draft) : await addInstrument(draft)
    setRefused(answer.ok ? undefined : answer.message)
    if (!answer.ok) return
    tell.done(`Kept: ${answer.value.name}`)
    done(answer.value)
  }
  const nameMissing = draft.name.trim() === ''
  return (
    <form
      aria-label={title}
      onSubmit={(event) => {
        event.preventDefault()
        if (problems.length === 0 && !nameMissing) void save()
      }}
    >
      <div className={classes['form']}>
        <TextInput
          size="sm"
          label="Name"
          value={draft.name}
          maxLength={40}
          onChange={(event) => change({ name: event.currentTarget.value })}
          error={nameMissing ? 'A name of 1 to 40 characters' : undefined}
        />
        <NativeSelect
          size="sm"
          label="Tuning"
          value={known ? draft.tuning : ''}
          onChange={(event) => {
            const tuning = listed.find((one) => writeTuning(one) === event.currentTarget.value)
            if (tuning) change({ tuning: writeTuning(tuning), tuningName: tuning.name, capo: null })
          }}
          data={[
            { value: '', label: 'as typed' },
            ...listed.map((tuning) => ({ value: writeTuning(tuning), label: tuning.name })),
          ]}
        />
        <TextInput
          size="sm"
          label="Strings, lowest first"
          value={draft.tuning}
          spellCheck={false}
          onChange={(event) => change({ tuning: event.currentTarget.value, tuningName: '' })}
          error={wrong('tuning')}
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
          error={wrong('capo')}
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
        <Button type="submit" size="compact-md" disabled={problems.length > 0 || nameMissing}>
          {kept ? 'Keep the changes' : 'Keep the instrument'}
        </Button>
        {problems.length > 0 && <span className={classes['aside']}>{problems[0]?.message}</span>}
      </Group>
    </form>
  )
}

const allStrings = (count: number): readonly number[] => Array.from({ length: count }, (_, index) => count - index)
