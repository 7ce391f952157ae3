/** The sentence that tells the line: every word of it is a choice. */
import { useStore } from '@nanostores/react'
import { DIRECTIONS, PATTERNS } from '@nestling/core/arpeggio'
import { writeSymbol } from '@nestling/core/chord'
import { COMMON_TUNINGS, type Tuning, tuningLetters, writeTuning } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import { degreeName } from '../../neck/tone.ts'
import { ACCENTS, NOTE_VALUES } from '../../notation/rhythm.ts'
import { $session } from '../../state/session.ts'
import classes from './ArpeggioView.module.css'
import { WAYS } from './address.ts'
import type { Plan } from './types.ts'
import { type ArpeggioState, CHORD_INPUT_ID } from './useArpeggio.ts'
import { ACCENT_WORDS, DIRECTION_WORDS, ordinal, PATTERN_WORDS, VALUE_WORDS, WAY_WORDS } from './words.ts'

export function Question({ state }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const { plan, line, change, text, type, problem } = state
  const strings = line.neck.open.length
  const moves = plan.way === 'position' || plan.way === 'two-a-string' || plan.way === 'strings'
  return (
    <section aria-label="The line" className={classes['question']}>
      <p className={classes['sentence']}>
        <strong data-testid="arpeggio-symbol">
          {writeSymbol(plan.chord, { naming: settings.naming, school: settings.symbols })}
        </strong>
        <span className={classes['formula']}>{plan.chord.formula.map(withSigns).join(' ')}</span>{' '}
        <Word label="How it lies" value={plan.way} words={WAY_WORDS} values={WAYS} take={(way) => change({ way })} />
        {moves && (
          <>
            {' at the '}
            <select
              aria-label="Position"
              className={classes['word']}
              value={plan.at}
              onChange={(event) => change({ at: Number(event.currentTarget.value) })}
            >
              {line.positions.map(({ at }) => (
                <option key={at} value={at}>
                  {ordinal(at)} fret
                </option>
              ))}
            </select>
          </>
        )}
        {(plan.way === 'one-string' || plan.way === 'diagonal') && (
          <>
            {plan.way === 'diagonal' ? ' from ' : ' '}
            <select
              aria-label="String"
              className={classes['word']}
              value={plan.string}
              onChange={(event) => change({ string: Number(event.currentTarget.value) })}
            >
              {line.neck.open.map((_, string) => (
                <option key={strings - string} value={string}>
                  string {strings - string}
                </option>
              ))}
            </select>
          </>
        )}
        {plan.way === 'diagonal' && (
          <>
            {', '}
            <select
              aria-label="Octaves along the neck"
              className={classes['word']}
              value={plan.climb}
              onChange={(event) => change({ climb: Number(event.currentTarget.value) })}
            >
              {[1, 2, 3].map((count) => (
                <option key={count} value={count}>
                  {count} {count === 1 ? 'octave' : 'octaves'}
                </option>
              ))}
            </select>
          </>
        )}
        {', from '}
        <select
          aria-label="Starts on"
          className={classes['word']}
          value={plan.from}
          onChange={(event) => change({ from: event.currentTarget.value as Plan['from'] })}
        >
          {plan.chord.formula.map((degree) => (
            <option key={degree} value={degree}>
              the {degreeName(degree)}
            </option>
          ))}
          <option value="lowest">the lowest tone</option>
        </select>{' '}
        <Word
          label="Direction"
          value={plan.direction}
          words={DIRECTION_WORDS}
          values={DIRECTIONS}
          take={(direction) => change({ direction })}
        />
        {', '}
        <select
          aria-label="Octaves"
          className={classes['word']}
          value={plan.octaves ?? ''}
          onChange={(event) =>
            change({ octaves: event.currentTarget.value === '' ? undefined : Number(event.currentTarget.value) })
          }
        >
          <option value="">all octaves</option>
          {[1, 2, 3].map((count) => (
            <option key={count} value={count}>
              {count} {count === 1 ? 'octave' : 'octaves'}
            </option>
          ))}
        </select>
        {', as '}
        <Word
          label="Pattern"
          value={plan.pattern}
          words={PATTERN_WORDS}
          values={PATTERNS}
          take={(pattern) => change({ pattern })}
        />
        {' in '}
        <Word
          label="Note value"
          value={plan.value}
          words={VALUE_WORDS}
          values={NOTE_VALUES}
          take={(value) => change({ value })}
        />
        {' of '}
        <select
          aria-label="Time"
          className={classes['word']}
          value={plan.beatsPerBar}
          onChange={(event) => change({ beatsPerBar: event.currentTarget.value === '3' ? 3 : 4 })}
        >
          <option value={4}>4/4</option>
          <option value={3}>3/4</option>
        </select>
        {', in '}
        <TuningWord state={state} />
        {', accents on '}
        <Word
          label="Accents"
          value={plan.accent}
          words={ACCENT_WORDS}
          values={ACCENTS}
          take={(accent) => change({ accent })}
        />
      </p>
      <div className={classes['typing']}>
        <label>
          <span className="heard-only">Chord</span>
          <kbd>/</kbd>{' '}
          <input
            id={CHORD_INPUT_ID}
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
          <span id="arpeggio-problem" role="alert" className={classes['problem']}>
            {problem}
          </span>
        )}
        <button type="button" className={classes['quiet']} onClick={state.undo} disabled={!state.canUndo}>
          undo
        </button>
        <button type="button" className={classes['quiet']} onClick={state.redo} disabled={!state.canRedo}>
          redo
        </button>
        <span className={classes['keys']}>
          <kbd>←</kbd>
          <kbd>→</kbd> position <kbd>Space</kbd> play and stop
        </span>
      </div>
    </section>
  )
}

/** The instrument's own tuning, a common one, or one of the player's. */
function TuningWord({ state }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const { plan, setting, change } = state
  const letters = (tuning: Tuning) => tuningLetters(tuning, settings.naming)
  const others = [...COMMON_TUNINGS, ...setting.ownTunings].filter(
    (one) => writeTuning(one) !== writeTuning(setting.instrument.tuning),
  )
  const now = plan.tuning && writeTuning(plan.tuning)
  const known = plan.tuning === undefined || others.some((one) => writeTuning(one) === now)
  return (
    <select
      aria-label="Tuning"
      className={classes['word']}
      value={now ?? ''}
      onChange={(event) => {
        const tuning = others.find((one) => writeTuning(one) === event.currentTarget.value)
        change({ tuning, shape: undefined, chosen: [], line: 0, string: 0 })
      }}
    >
      <option value="">{letters(setting.instrument.tuning)}</option>
      {!known && plan.tuning && <option value={now}>{letters(plan.tuning)}</option>}
      {others.map((one) => (
        <option key={writeTuning(one)} value={writeTuning(one)}>
          {letters(one)}
        </option>
      ))}
    </select>
  )
}

function Word<Value extends string>({
  label,
  value,
  words,
  values,
  take,
}: {
  readonly label: string
  readonly value: Value
  readonly words: Readonly<Record<Value, string>>
  readonly values: readonly Value[]
  readonly take: (value: Value) => void
}) {
  return (
    <select
      aria-label={label}
      className={classes['word']}
      value={value}
      onChange={(event) => take(event.currentTarget.value as Value)}
    >
      {values.map((one) => (
        <option key={one} value={one}>
          {words[one]}
        </option>
      ))}
    </select>
  )
}
