/** What lies one fret away from the shape in hand, and from a shape with one tone held moved already. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import type { Voicing } from '@nestling/core/voicing'
import { memo, useCallback, useDeferredValue, useState } from 'react'
import { $session } from '../../../state/session.ts'
import { voicingInHand, type WorkbenchState } from '../../../state/workbench/index.ts'
import { COUNTING } from '../../../words/found.ts'
import classes from './Away.module.css'
import { Family } from './Family.tsx'
import { NeckOfNames } from './NeckOfNames.tsx'

export function OneFretAway({ state: now }: { readonly state: WorkbenchState }) {
  // The shapes and the neck come first.
  const state = useDeferredValue(now)
  return (
    <section
      data-not-on-paper
      aria-label="One fret away"
      aria-busy={state !== now}
      className={classes['section']}
      data-faint={state.faint || undefined}
    >
      <Away state={state} />
    </section>
  )
}

const Away = memo(function Away({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const voicing = voicingInHand(state)
  const base = voicing?.frets.join()
  const [held, setHeld] = useState<{ readonly base: string | undefined; readonly voicing: Voicing } | undefined>()
  // Held for the shape that it started from; another shape starts anew.
  const from = held !== undefined && held.base === base ? held.voicing : voicing
  const hold = useCallback((next: Voicing) => setHeld({ base, voicing: next }), [base])
  return (
    <>
      <div className={classes['head']}>
        <h2>One fret away</h2>
        <span>grey: another root</span>
        {from !== voicing && from !== undefined ? (
          <span className={classes['held']}>
            from {writeSymbol(from.chord, { naming: settings.naming, school: settings.symbols })}{' '}
            <button type="button" onClick={() => setHeld(undefined)}>
              let go
            </button>
          </span>
        ) : (
          <span className={classes['hint']}>hold one with Shift, and the names start again from there</span>
        )}
      </div>
      {from === undefined || voicing === undefined ? (
        <p className={classes['aside']}>
          {state.search.status === 'searching'
            ? COUNTING
            : 'Take a shape of two tones or more to see what it can become.'}
        </p>
      ) : (
        <>
          <NeckOfNames state={state} from={from} hold={hold} />
          <Family state={state} />
        </>
      )}
    </>
  )
})
