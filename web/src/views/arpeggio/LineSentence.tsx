/** The sentence that tells the line: every word of it is a choice. */
import { useStore } from '@nanostores/react'
import { DIRECTIONS, PATTERNS } from '@nestling/core/arpeggio'
import { writeSymbol } from '@nestling/core/chord'
import { tuningLetters, writeTuning } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import { tuningsOffered } from '@nestling/core/request'
import { ACCENTS, FOUR_FOUR, NOTE_VALUES, THREE_FOUR } from '@nestling/core/time'
import { ChordField } from '../../controls/ChordField.tsx'
import sentence from '../../controls/sentence.module.css'
import { tuningWords } from '../../controls/TuningChoice.tsx'
import { UndoRedo } from '../../controls/UndoRedo.tsx'
import { Word } from '../../controls/Word.tsx'
import { $session } from '../../state/session.ts'
import { ACCENT_WORDS, DIRECTION_WORDS, ordinal, PATTERN_WORDS, VALUE_WORDS, WAY_WORDS } from '../../words/arpeggio.ts'
import { degreeName } from '../../words/degrees.ts'
import classes from './ArpeggioView.module.css'
import { WAYS } from './address.ts'
import type { Plan } from './types.ts'
import { type ArpeggioState, CHORD_INPUT_ID } from './useArpeggio.ts'

export function LineSentence({ state }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const { plan, line, change } = state
  const strings = line.neck.open.length
  const moves = plan.way === 'position' || plan.way === 'two-a-string' || plan.way === 'strings'
  return (
    <section aria-label="The line" className={classes['question']}>
      <p className={sentence['sentence']}>
        <strong data-testid="arpeggio-symbol" className={sentence['chord']}>
          {writeSymbol(plan.chord, { naming: settings.naming, school: settings.symbols })}
        </strong>
        <span className={sentence['formula']}>{plan.chord.formula.map(withSigns).join(' ')}</span>{' '}
        <Choice label="How it lies" value={plan.way} options={named(WAYS, WAY_WORDS)} take={(way) => change({ way })} />
        {moves && (
          <>
            {' at the '}
            <Choice
              label="Position"
              value={plan.at}
              options={line.positions.map(({ at }) => [at, `${ordinal(at)} fret`])}
              take={(at) => change({ at })}
            />
          </>
        )}
        {(plan.way === 'one-string' || plan.way === 'diagonal') && (
          <>
            {plan.way === 'diagonal' ? ' from ' : ' '}
            <Choice
              label="String"
              value={plan.string}
              options={line.neck.open.map((_, string) => [string, `string ${strings - string}`])}
              take={(string) => change({ string })}
            />
          </>
        )}
        {plan.way === 'diagonal' && (
          <>
            {', '}
            <Choice
              label="Octaves along the neck"
              value={plan.climb}
              options={OCTAVES}
              take={(climb) => change({ climb })}
            />
          </>
        )}
        {', from '}
        <Choice<Plan['from']>
          label="Starts on"
          value={plan.from}
          options={[
            ...plan.chord.formula.map((degree) => [degree, `the ${degreeName(degree)}`] as const),
            ['lowest', 'the lowest tone'],
          ]}
          take={(from) => change({ from })}
        />{' '}
        <Choice
          label="Direction"
          value={plan.direction}
          options={named(DIRECTIONS, DIRECTION_WORDS)}
          take={(direction) => change({ direction })}
        />
        {', '}
        <Choice<number | 'all'>
          label="Octaves"
          value={plan.octaves ?? 'all'}
          options={[['all', 'all octaves'], ...OCTAVES]}
          take={(octaves) => change({ octaves: octaves === 'all' ? undefined : octaves })}
        />
        {', as '}
        <Choice
          label="Pattern"
          value={plan.pattern}
          options={named(PATTERNS, PATTERN_WORDS)}
          take={(pattern) => change({ pattern })}
        />
        {' in '}
        <Choice
          label="Note value"
          value={plan.value}
          options={named(NOTE_VALUES, VALUE_WORDS)}
          take={(value) => change({ value })}
        />
        {' of '}
        <Choice label="Time" value={plan.metre} options={METRES} take={(metre) => change({ metre })} />
        {', in '}
        <TuningWord state={state} />
        {', accents on '}
        <Choice
          label="Accents"
          value={plan.accent}
          options={named(ACCENTS, ACCENT_WORDS)}
          take={(accent) => change({ accent })}
        />
      </p>
      <Typing state={state} />
    </section>
  )
}

type Options<Value> = readonly (readonly [Value, string])[]

const OCTAVES: Options<number> = [[1, '1 octave'], [2, '2 octaves'], [3, '3 octaves']] // biome-ignore format: a list
const METRES: Options<Plan['metre']> = [[FOUR_FOUR, '4/4'], [THREE_FOUR, '3/4']] // biome-ignore format: a list

const named = <Value extends string>(
  values: readonly Value[],
  words: Readonly<Record<Value, string>>,
): Options<Value> => values.map((value) => [value, words[value]])

/** A word whose choices are few and known. */
function Choice<Value>({
  label,
  value,
  options,
  take,
}: {
  readonly label: string
  readonly value: Value
  readonly options: Options<Value>
  readonly take: (value: Value) => void
}) {
  const now = options.find(([one]) => one === value)?.[1] ?? ''
  const useChoices = () => options.map(([one, words]) => ({ value: one, words, now: one === value }))
  return <Word<Value> label={label} now={now} useChoices={useChoices} take={take} />
}

/** The instrument's own tuning, a common one, or one of the player's. */
function TuningWord({ state: { plan, player, change } }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const own = writeTuning(player.instrument.tuning)
  const now = plan.tuning ?? player.instrument.tuning
  const useChoices = () =>
    tuningsOffered(player).map((tuning) => ({
      value: tuning,
      words: tuningWords(tuning, settings.naming),
      now: writeTuning(tuning) === writeTuning(now),
    }))
  return (
    <Word
      label="Tuning"
      now={tuningLetters(now, settings.naming)}
      useChoices={useChoices}
      take={(tuning) =>
        change({
          tuning: writeTuning(tuning) === own ? undefined : tuning,
          shape: undefined,
          chosen: [],
          line: 0,
          string: 0,
        })
      }
    />
  )
}

/** The field to type the chord, and what is wrong with it; undo and redo; the keys that help. */
function Typing({ state: { typed, type, undo, redo, canUndo, canRedo } }: { readonly state: ArpeggioState }) {
  return (
    <div className={sentence['typing']}>
      <ChordField id={CHORD_INPUT_ID} typed={typed} type={type} />
      <span>
        <UndoRedo undo={undo} redo={redo} canUndo={canUndo} canRedo={canRedo} />
      </span>
      <p className={sentence['keys']}>
        <span>
          <kbd>←</kbd>
          <kbd>→</kbd> position
        </span>
        <span>
          <kbd>Space</kbd> play and stop
        </span>
        <span>
          <kbd>T</kbd> the voicing to the tray
        </span>
        <span>
          <kbd>?</kbd> all keys
        </span>
      </p>
    </div>
  )
}
