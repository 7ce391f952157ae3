/** The sentence that tells the line: every word of it is a choice. */
import { useStore } from '@nanostores/react'
import { DIRECTIONS, PATTERNS } from '@nestling/core/arpeggio'
import { writeSymbol } from '@nestling/core/chord'
import { tuningLetters } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import { ACCENTS, METRES, NOTE_VALUES, writeMetre } from '@nestling/core/time'
import type { ReactNode } from 'react'
import { Choice, type Options } from '../../../controls/Choice.tsx'
import { FittedSentence } from '../../../controls/FittedSentence.tsx'
import sentence from '../../../controls/sentence.module.css'
import { Word } from '../../../controls/Word.tsx'
import { $session } from '../../../state/session.ts'
import { ACCENT_WORDS, DIRECTION_WORDS, PATTERN_WORDS, VALUE_WORDS, WAY_WORDS } from '../../../words/arpeggio.ts'
import { degreeName } from '../../../words/degrees.ts'
import { WAYS } from '../address.ts'
import type { Plan } from '../types.ts'
import type { ArpeggioState } from '../useArpeggio.ts'
import classes from './LineSentence.module.css'
import { MoreOfLine } from './MoreOfLine.tsx'
import { inTuning, named, OCTAVES, tuningChoices } from './options.ts'

export function LineSentence({ state, children }: { readonly state: ArpeggioState; readonly children: ReactNode }) {
  const { settings } = useStore($session)
  const { plan, line, change } = state
  const strings = line.neck.open.length
  const moves = plan.way === 'position' || plan.way === 'two-a-string' || plan.way === 'strings'
  return (
    <section aria-label="The line" className={classes['question']}>
      <FittedSentence>
        <strong data-testid="arpeggio-symbol" className={sentence['chord']}>
          {writeSymbol(plan.chord, { naming: settings.naming, school: settings.symbols })}
        </strong>
        <span className={sentence['formula']}>{plan.chord.formula.map(withSigns).join(' ')}</span>{' '}
        <Choice label="How it lies" value={plan.way} options={named(WAYS, WAY_WORDS)} take={(way) => change({ way })} />
        {moves && (
          <>
            {' at '}
            <Choice
              label="Position"
              value={plan.at}
              options={line.positions.map(({ at }) => [at, `fret ${at}`])}
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
        {plan.octaves !== undefined && (
          <>
            {', '}
            <Choice<number | undefined>
              label="Octaves"
              value={plan.octaves}
              options={[...OCTAVES, [undefined, 'all octaves']]}
              take={(octaves) => change({ octaves })}
            />
          </>
        )}
        {plan.pattern !== 'straight' && (
          <>
            {', as '}
            <Choice
              label="Pattern"
              value={plan.pattern}
              options={named(PATTERNS, PATTERN_WORDS)}
              take={(pattern) => change({ pattern })}
            />
          </>
        )}
        {', in '}
        <Choice
          label="Note value"
          value={plan.value}
          options={named(NOTE_VALUES, VALUE_WORDS)}
          take={(value) => change({ value })}
        />
        {' of '}
        <Choice label="Time" value={plan.metre} options={METRE_CHOICES} take={(metre) => change({ metre })} />
        {plan.accent !== 'beat' && (
          <>
            {', accents on '}
            <Choice
              label="Accents"
              value={plan.accent}
              options={named(ACCENTS, ACCENT_WORDS)}
              take={(accent) => change({ accent })}
            />
          </>
        )}
        {plan.tuning !== undefined && (
          <>
            {', in '}
            <TuningWord state={state} />
          </>
        )}
        {line.scale && (
          <>
            {', over '}
            <Choice<string | undefined>
              label="Scale"
              value={line.scale.scale.name}
              options={[
                ...line.scales.map(({ scale }) => [scale.name, withSigns(scale.name)] as const),
                [undefined, 'no scale'],
              ]}
              take={(scale) => change({ scale })}
            />
          </>
        )}{' '}
        <MoreOfLine state={state} />
      </FittedSentence>
      {children}
    </section>
  )
}

const METRE_CHOICES: Options<Plan['metre']> = METRES.map((metre) => [metre, writeMetre(metre)])

/** Another tuning than the instrument's own. */
function TuningWord({ state }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const { plan, player, change } = state
  const now = plan.tuning ?? player.instrument.tuning
  const useChoices = () => tuningChoices(state, settings.naming)
  return (
    <Word
      label="Tuning"
      now={tuningLetters(now, settings.naming)}
      useChoices={useChoices}
      take={(tuning) => change(inTuning(state, tuning))}
    />
  )
}
