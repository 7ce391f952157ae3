/** The sentence that tells what is played and by whom: every word of it is a choice, kept as it is taken. */
import { useStore } from '@nanostores/react'
import { measureLimits, tuningLetters, withMeasure, writeTuning } from '@nestling/core/neck'
import { tuningsOffered } from '@nestling/core/request'
import { memo } from 'react'
import { draftOf, type InstrumentDraft } from '../../../contracts/instrument.ts'
import { Choice, type Options } from '../../../controls/Choice.tsx'
import sentence from '../../../controls/sentence.module.css'
import { $player, $session } from '../../../state/session.ts'
import { tuningWords } from '../../../words/tunings.ts'
import { changeHabit, keepInstrument, keepPulled } from '../bench/bench.ts'
import { Field } from '../drawing/Field.tsx'
import { useShownInstrument } from '../drawing/useShownInstrument.ts'
import classes from './SetupSentence.module.css'

const HANDED: Options<InstrumentDraft['handed']> = [
  ['right', 'right-handed'],
  ['left', 'left-handed'],
]
const PLUCKS: Options<InstrumentDraft['pluck']> = [
  ['pick', 'a pick'],
  ['fingers', 'fingers'],
  ['thumb-and-fingers', 'thumb and fingers'],
]
const SOUNDS: Options<InstrumentDraft['timbre']> = [
  ['nylon', 'nylon strings'],
  ['steel', 'steel strings'],
  ['archtop', 'an archtop'],
]
/** Ease in mm: the middle one is the usual reach, the others a seventh less and more. */
const HANDS: Options<number> = [
  [86, 'a small hand'],
  [100, 'a medium hand'],
  [114, 'a large hand'],
]

export const SetupSentence = memo(function SetupSentence() {
  const { settings } = useStore($session)
  const player = useStore($player)
  const instrument = useShownInstrument(undefined)
  const draft = draftOf(instrument)
  const keep = (changes: Partial<InstrumentDraft>) => void keepPulled({ ...draft, ...changes })
  const tunings = tuningsOffered({ ...player, instrument })
  const highestCapo = measureLimits('capo', instrument).most
  const { capo } = instrument
  return (
    <p className={`${sentence['sentence']} ${classes['sentence']}`}>
      <span className={classes['name']}>
        <Field
          label="Name of the instrument"
          value={instrument.name}
          width={Math.max(90, [...instrument.name].length * 17)}
          problemOf={(text) => (text.trim() === '' ? 'a name of 1 to 40 characters' : undefined)}
          take={async (name) => {
            const reply = await keepInstrument({ ...draft, name: name.trim() })
            return reply.ok ? undefined : reply.message
          }}
        />
      </span>{' '}
      in{' '}
      <Choice
        label="Tuning"
        value={writeTuning(instrument.tuning)}
        otherwise={tuningLetters(instrument.tuning, settings.naming)}
        options={tunings.map((tuning) => [
          writeTuning(tuning),
          tuning.name === 'standard' ? 'standard' : tuningWords(tuning, settings.naming),
        ])}
        take={(text) => {
          const tuning = tunings.find((one) => writeTuning(one) === text)
          if (tuning) keep({ tuning: text, tuningName: tuning.name, capo: null })
        }}
      />
      , <Choice label="Played" value={instrument.handed} options={HANDED} take={(handed) => keep({ handed })} />,{' '}
      <Choice
        label="Capo"
        value={capo?.fret ?? 0}
        options={[
          [0, 'no capo'],
          ...Array.from(
            { length: Math.max(0, highestCapo) },
            (_, index) => [index + 1, capoWords(index + 1, capo)] as const,
          ),
        ]}
        take={(fret) => void keepPulled(draftOf(withMeasure(instrument, 'capo', fret)))}
      />
      , <Choice label="Plucked with" value={instrument.pluck} options={PLUCKS} take={(pluck) => keep({ pluck })} />,
      sounding like{' '}
      <Choice label="Sound" value={instrument.timbre} options={SOUNDS} take={(timbre) => keep({ timbre })} />, in{' '}
      <Choice
        label="The hand"
        value={settings.handComfortMm}
        options={HANDS}
        otherwise={`a hand of ${Math.round(settings.handComfortMm)} mm`}
        take={(handComfortMm) => void changeHabit({ handComfortMm })}
      />
    </p>
  )
})

function capoWords(
  fret: number,
  capo: { readonly fret: number; readonly strings: 'all' | readonly number[] } | undefined,
): string {
  const over = capo?.fret === fret && capo.strings !== 'all' ? ` over ${capo.strings.join(' ')}` : ''
  return `capo at ${fret}${over}`
}
