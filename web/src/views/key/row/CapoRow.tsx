/** On open strings other keys are the capo's: each at the fret where it lies, dashed where the lane would pass the neck's end. */
import { useStore } from '@nanostores/react'
import { writeKey } from '@nestling/core/key'
import { type CapoKey, capoKeys, type Lane } from '@nestling/core/lane'
import { writeNote } from '@nestling/core/pitch'
import { memo } from 'react'
import { $session } from '../../../state/session.ts'
import type { KeyState } from '../useKey.ts'
import classes from './KeysRow.module.css'

export const CapoRow = memo(function CapoRow({ state, lane }: { readonly state: KeyState; readonly lane: Lane }) {
  const { settings } = useStore($session)
  const { answer, change, byFourths } = state
  const { key } = answer.plan
  const capo = Math.min(...answer.neck.firstFret) - 1
  const told = ({ fret, key: other, isHigh }: CapoKey): string =>
    `${writeKey(other, { naming: settings.naming })}: ${fret === 0 ? 'no capo' : `capo at fret ${fret}`}${isHigh ? ', too high for all seven' : ''}`
  return (
    <div className={classes['row']}>
      <span className={classes['head']}>
        other keys: the
        <br />
        capo at this fret
      </span>
      <button type="button" className={classes['key']} aria-label="A fourth down" onClick={() => byFourths(-1)}>
        ←
      </button>
      <div className={classes['keys']} role="group" aria-label="Keys by the capo">
        {capoKeys(key, capo, lane, answer.neck).map((one) => (
          <button
            key={one.fret}
            type="button"
            className={classes['one']}
            aria-pressed={one.fret === capo}
            aria-label={told(one)}
            title={told(one)}
            data-high={one.isHigh || undefined}
            data-testid="capo-choice"
            onClick={() => change({ key: one.key, capo: one.fret })}
          >
            <b>{writeNote(one.key.tonic, settings.naming)}</b>
            <span>{one.fret === 0 ? 'no capo' : `capo ${one.fret}`}</span>
          </button>
        ))}
      </div>
      <button type="button" className={classes['key']} aria-label="A fourth up" onClick={() => byFourths(1)}>
        →
      </button>
      <button type="button" className={classes['all']} onClick={state.playAllKeys}>
        all keys
      </button>
    </div>
  )
})
