/** The sentence that tells the line: every word of it is a choice. */
import { useStore } from '@nanostores/react'
import { DIRECTIONS, PATTERNS } from '@nestling/core/arpeggio'
import { writeSymbol } from '@nestling/core/chord'
import { COMMON_TUNINGS, type Tuning, tuningLetters, writeTuning } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import { degreeName } from '../../neck/tone.ts'
import { ACCENTS, NOTE_VALUES } from '../../notation/rhythm.ts'
import sentence from '../../shell/sentence.module.css'
import { $session } from '../../state/session.ts'
import classes from './ArpeggioView.module.css'
import { WAYS } from './address.ts'
import type { Plan } from './types.ts'
import { type ArpeggioState, CHORD_INPUT_ID } from './useArpeggio.ts'
import { ACCENT_WORDS, DIRECTION_WORDS, ordinal, PATTERN_WORDS, VALUE_WORDS, WAY_WORDS } from './words.ts'

export function Question({ state }: { readonly state: ArpeggioState }) {
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
        <Word label="How it lies" value={plan.way} options={named(WAYS, WAY_WORDS)} take={(way) => change({ way })} />
        {moves && (
          <>
            {' at the '}
            <Word
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
            <Word
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
            <Word
              label="Octaves along the neck"
              value={plan.climb}
              options={OCTAVES}
              take={(climb) => change({ climb })}
            />
          </>
        )}
        {', from '}
        <Word<Plan['from']>
          label="Starts on"
          value={plan.from}
          options={[
            ...plan.chord.formula.map((degree) => [degree, `the ${degreeName(degree)}`] as const),
            ['lowest', 'the lowest tone'],
          ]}
          take={(from) => change({ from })}
        />{' '}
        <Word
          label="Direction"
          value={plan.direction}
          options={named(DIRECTIONS, DIRECTION_WORDS)}
          take={(direction) => change({ direction })}
        />
        {', '}
        <Word
          label="Octaves"
          value={plan.octaves ?? 'all'}
          options={[['all', 'all octaves'], ...OCTAVES]}
          take={(octaves) => change({ octaves: octaves === 'all' ? undefined : octaves })}
        />
        {', as '}
        <Word
          label="Pattern"
          value={plan.pattern}
          options={named(PATTERNS, PATTERN_WORDS)}
          take={(pattern) => change({ pattern })}
        />
        {' in '}
        <Word
          label="Note value"
          value={plan.value}
          options={named(NOTE_VALUES, VALUE_WORDS)}
          take={(value) => change({ value })}
        />
        {' of '}
        <Word label="Time" value={plan.beatsPerBar} options={TIMES} take={(beatsPerBar) => change({ beatsPerBar })} />
        {', in '}
        <TuningWord state={state} />
        {', accents on '}
        <Word
          label="Accents"
          value={plan.accent}
          options={named(ACCENTS, ACCENT_WORDS)}
          take={(accent) => change({ accent })}
        />
      </p>
      <Typed state={state} />
    </section>
  )
}

type Options<Value> = readonly (readonly [Value, string])[]

const OCTAVES: Options<number> = [[1, '1 octave'], [2, '2 octaves'], [3, '3 octaves']] // biome-ignore format: a list
const TIMES: Options<Plan['beatsPerBar']> = [[4, '4/4'], [3, '3/4']] // biome-ignore format: a list

const named = <Value extends string>(
  values: readonly Value[],
  words: Readonly<Record<Value, string>>,
): Options<Value> => values.map((value) => [value, words[value]])

/** A word that opens its choices. */
function Word<Value extends string | number>({
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
  return (
    <select
      aria-label={label}
      className={sentence['word']}
      value={value}
      onChange={(event) => {
        const chosen = options[event.currentTarget.selectedIndex]
        if (chosen) take(chosen[0])
      }}
    >
      {options.map(([one, words]) => (
        <option key={one} value={one}>
          {words}
        </option>
      ))}
    </select>
  )
}

/** The instrument's own tuning, a common one, or one of the player's. */
function TuningWord({ state: { plan, setting, change } }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const own = writeTuning(setting.instrument.tuning)
  const now = plan.tuning ?? setting.instrument.tuning
  // One of an address may be none of the list.
  const tunings = new Map<string, Tuning>(
    [setting.instrument.tuning, now, ...COMMON_TUNINGS, ...setting.ownTunings].map((one) => [writeTuning(one), one]),
  )
  return (
    <Word
      label="Tuning"
      value={writeTuning(now)}
      options={[...tunings].map(([written, tuning]) => [written, tuningLetters(tuning, settings.naming)])}
      take={(written) =>
        change({
          tuning: written === own ? undefined : tunings.get(written),
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
function Typed({ state: { typed, undo, redo, canUndo, canRedo } }: { readonly state: ArpeggioState }) {
  const { text, type, problem } = typed
  return (
    <div className={sentence['typing']}>
      <label className={sentence['field']}>
        <span className="heard-only">Chord</span>
        <kbd>/</kbd>
        <input
          id={CHORD_INPUT_ID}
          className="plain-field"
          value={text}
          onChange={(event) => type(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur()
          }}
          aria-invalid={problem !== undefined}
          aria-describedby={problem === undefined ? undefined : 'arpeggio-problem'}
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          maxLength={40}
        />
      </label>
      {problem !== undefined && (
        <span id="arpeggio-problem" role="alert" className={sentence['problem']}>
          {problem}
        </span>
      )}
      <button type="button" className={classes['quiet']} onClick={undo} disabled={!canUndo}>
        undo
      </button>
      <button type="button" className={classes['quiet']} onClick={redo} disabled={!canRedo}>
        redo
      </button>
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
      </p>
    </div>
  )
}
