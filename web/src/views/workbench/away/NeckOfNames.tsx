/** One fret away as a neck of names: each place holds what the chord becomes when the string's tone goes there. */
import { useStore } from '@nanostores/react'
import type { Voicing } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { useFrameLater } from '../../../controls/later.ts'
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
  const now = useMemo(() => ({ rows: nameGrid(from, neck), from, neck, hold }), [from, neck, hold])
  const before = useFrameLater(now)
  const isLeft = player.instrument.handed === 'left'
  const stop = useOneStop<HTMLTableElement>(isLeft ? -1 : 1)
  const steps = isLeft ? STEPS.toReversed() : STEPS
  // The same order of strings as on the neck above.
  const drawn = (of: typeof now) =>
    (settings.lowOnTop ? of.rows : of.rows.toReversed()).map((row) => ({
      row,
      from: of.from,
      neck: of.neck,
      hold: of.hold,
    }))
  // The upper half at once, the lower one a frame later: in one they are the longest of all frames while a line is typed.
  const half = Math.ceil(now.rows.length / 2)
  const strings = [...drawn(now).slice(0, half), ...drawn(before).slice(half)]
  return (
    <table
      className={classes['grid']}
      aria-label="One fret away: what the chord becomes"
      aria-busy={before !== now}
      {...stop}
    >
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
        {strings.map((string, index) => (
          // Filled anew from shape to shape, which is less to draw than to make others.
          <StringOfNames key={index} {...string} isLeft={isLeft} />
        ))}
      </tbody>
    </table>
  )
}
