/** The hand's places along the neck, as a strip under it: what lies well stands out. */

import { counted } from '../../words/shapes.ts'
import classes from './ArpeggioView.module.css'
import type { ArpeggioState } from './useArpeggio.ts'

export function Positions({ state }: { readonly state: ArpeggioState }) {
  const { plan, line, change } = state
  return (
    <div className={classes['positions']} role="group" aria-label="Positions along the neck">
      <span>hand at fret</span>
      {line.positions.map(({ at, tones, stretches, gaps, liesWell }) => (
        <button
          key={at}
          type="button"
          aria-pressed={plan.way === 'position' && plan.at === at}
          data-well={liesWell || undefined}
          title={`${counted(tones, 'tone')}, ${counted(stretches, 'stretch', 'stretches')}${gaps > 0 ? `, ${gaps} missing in between` : ''}${liesWell ? ', lies well' : ''}`}
          onClick={() => change({ way: 'position', at })}
        >
          {at}
        </button>
      ))}
      <span>underlined: lies well</span>
    </div>
  )
}
