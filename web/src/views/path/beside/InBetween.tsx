/** Chords that may stand before the chosen one, each with its reason and what the path costs with it. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { memo } from 'react'
import { $session } from '../../../state/session.ts'
import { BETWEEN_WORDS } from '../../../words/lane.ts'
import { putBefore } from '../edits.ts'
import type { PathState } from '../usePath.ts'
import classes from './Beside.module.css'

const MOST = 5

export const InBetween = memo(function InBetween({ state }: { readonly state: PathState }) {
  const { settings } = useStore($session)
  const { around, answer } = state
  const { played, found, plan } = answer
  const at = plan.chosen
  const [from, to] = [played.chords[at - 1], played.chords[at]]
  if (!from || !to) return null
  const symbol = (chord: typeof to.chord) => writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  return (
    <section aria-label="In between" className={classes['section']} aria-busy={around === undefined}>
      <h2 className={classes['head']}>
        In between{' '}
        <span>
          {symbol(from.chord)} → {symbol(to.chord)}
        </span>
      </h2>
      <ul className={classes['list']}>
        {(around?.between ?? []).slice(0, MOST).map(({ chord, reason, total }) => (
          <li key={symbol(chord)}>
            <button
              type="button"
              data-testid="between"
              aria-label={`${symbol(chord)}, ${BETWEEN_WORDS[reason]}: put it in, the path costs ${(total - found.total).toFixed(2)} more`}
              onClick={() => putBefore(state, chord)}
            >
              <b>{symbol(chord)}</b>
              <small className={classes['reason']}>{BETWEEN_WORDS[reason]}</small>
              <em>
                {total >= found.total ? '+' : '−'}
                {Math.abs(total - found.total).toFixed(2)}
              </em>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
})
