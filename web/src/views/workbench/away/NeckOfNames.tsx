/** One fret away as a neck of names: each place holds what the chord becomes when the string's tone goes there. */
import { useStore } from '@nanostores/react'
import type { Voicing } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { useOneStop } from '../../../controls/useOneStop.ts'
import { $session } from '../../../state/session.ts'
import { neckIn, type WorkbenchState } from '../../../state/workbench/index.ts'
import classes from './Away.module.css'
import { nameGrid, STEPS } from './grid.ts'
import { StringOfNames, stepWords } from './StringOfNames.tsx'

export interface NeckOfNamesProps {
  readonly state: WorkbenchState
  /** What the names start from: the shape in hand, or one with a tone moved already. */
  readonly from: Voicing
  readonly hold: (voicing: Voicing) => void
}

export function NeckOfNames({ state, from, hold }: NeckOfNamesProps) {
  const { settings } = useStore($session)
  const { question, player } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const rows = useMemo(() => nameGrid(from, neck), [from, neck])
  const isLeft = player.instrument.handed === 'left'
  const stop = useOneStop<HTMLTableElement>(isLeft ? -1 : 1)
  const steps = isLeft ? STEPS.toReversed() : STEPS
  // The same order of strings as on the neck above.
  const strings = settings.lowOnTop ? rows : rows.toReversed()
  return (
    <table className={classes['grid']} aria-label="One fret away: what the chord becomes" {...stop}>
      <thead>
        <tr className={classes['steps']}>
          {steps.map((by) => (
            <th key={by} scope="col">
              <span className="heard-only">{by === 0 ? 'as it is' : stepWords(by)}</span>
              {by !== 0 && <span aria-hidden="true">{`${by > 0 ? '+' : '−'}${Math.abs(by)}`}</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {strings.map((row, index) => (
          <StringOfNames key={index} row={row} from={from} neck={neck} hold={hold} isLeft={isLeft} />
        ))}
      </tbody>
    </table>
  )
}
