/** A progression in numbers: digits write it, each chord takes the nearest place of the lanes, and it is heard. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { computed } from 'nanostores'
import { memo } from 'react'
import { $playing } from '../../sound/transport.ts'
import { $session } from '../../state/session.ts'
import { counted } from '../../words/shapes.ts'
import classes from './KeyView.module.css'
import { numbersOf, write } from './keys.ts'
import { turnsWritten, walkOf } from './toScore.ts'
import { type KeyState, OWNER } from './useKey.ts'

const $isMine = computed($playing, ({ owner }) => owner === OWNER)

export const InNumbers = memo(function InNumbers({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const isPlaying = useStore($isMine)
  const { answer, plan, change } = state
  const numbers = numbersOf(plan, plan.numbers)
  const turns = turnsWritten(answer)
  const without = plan.written.length - turns.length
  return (
    <section aria-label="In numbers" className={classes['numbers']}>
      <h2>In numbers</h2>
      <div className={classes['digits']} role="group" aria-label="Write a step">
        {answer.steps.map(({ step, chord }) => (
          <button
            key={step}
            type="button"
            aria-label={`Write step ${step}, ${writeSymbol(chord, { naming: settings.naming })}`}
            onClick={() => write(state, step)}
          >
            {step}
          </button>
        ))}
        <button
          type="button"
          aria-label="Take the last one back"
          disabled={plan.written.length === 0}
          onClick={() => change({ written: plan.written.slice(0, -1) })}
        >
          ⌫
        </button>
      </div>
      <ol className={classes['written']} aria-label="What is written">
        {plan.written.map((chord, index) => (
          <li key={`${index}${chord.root}`}>
            <kbd>{numbers[index]}</kbd> {writeSymbol(chord, { naming: settings.naming, school: settings.symbols })}
          </li>
        ))}
      </ol>
      {plan.written.length > 0 && (
        <>
          <span className={classes['walk']}>
            hand walks {counted(walkOf(turns), 'fret')}
            {without > 0 && `, ${without} without a place in these lanes`}
          </span>
          <button type="button" className={classes['act']} onClick={state.playWritten}>
            {isPlaying ? 'Stop' : 'Play it'} <span data-key="P" aria-hidden="true" />
          </button>
        </>
      )}
    </section>
  )
})
