/** Set-up's acts: the strings to type, one instrument more or less, what was done taken back. */
import { useStore } from '@nanostores/react'
import { readTuning, writeTuning } from '@nestling/core/neck'
import { midiOf } from '@nestling/core/pitch'
import { useMemo } from 'react'
import { draftOf } from '../../contracts/instrument.ts'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { openKeys } from '../../shell/help.ts'
import { hearChords } from '../../state/playback.ts'
import { $session } from '../../state/session.ts'
import { messageOf } from '../../words/errors.ts'
import { addAnother, keepInstrument, steps, takeInstrumentAway } from './bench/bench.ts'
import { Field } from './drawing/Field.tsx'
import { useShownInstrument } from './drawing/useShownInstrument.ts'

export const STRINGS_INPUT_ID = 'setup-strings'

/** All strings, from the lowest up, as the instrument is tuned. */
export function hearStrings(): void {
  const { instrument } = $session.get()
  const notes = instrument.tuning.strings.map((pitch, string) => ({ midi: midiOf(pitch), pitch, string, fret: 0 }))
  hearChords(
    notes.map((note) => ({ notes: [note] })),
    'together',
    'setup',
    0.5,
  )
}

export function Acts() {
  const past = useStore(steps.$past)
  const { instrument: kept } = useStore($session)
  const instrument = useShownInstrument(undefined)
  const acts = useMemo(
    (): readonly (readonly Act[])[] => [
      [{ words: 'Play the strings', keyHint: 'Space', isMain: true, run: hearStrings }],
      [
        { words: 'One more instrument', keyHint: 'N', run: addAnother },
        { words: `Delete ${kept.name}`, run: takeInstrumentAway, disabled: kept.id === 0 },
      ],
    ],
    [kept],
  )
  const problemOf = (text: string) => {
    const read = readTuning(text)
    return read.ok ? undefined : messageOf(read.error)
  }
  return (
    <ActLine
      field={
        <span>
          <kbd>/</kbd>{' '}
          <Field
            id={STRINGS_INPUT_ID}
            label="Strings, lowest first"
            value={writeTuning(instrument.tuning).replaceAll(',', ' ')}
            width={190}
            problemOf={problemOf}
            take={async (text) => {
              const reply = await keepInstrument({ ...draftOf(instrument), tuning: text, tuningName: '', capo: null })
              return reply.ok ? undefined : reply.message
            }}
          />
        </span>
      }
      problem={undefined}
      acts={acts}
      past={past}
      undo={steps.undo}
      redo={steps.redo}
      openKeys={openKeys}
    />
  )
}
