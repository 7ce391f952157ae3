/** Scales that hold the chord, why each fits, and what it adds; one of them may lie behind the line. */
import { useStore } from '@nanostores/react'
import type { ScaleFit } from '@nestling/core/key'
import { withSigns, writeNote } from '@nestling/core/pitch'
import { useState } from 'react'
import { $session } from '../../state/session.ts'
import { degreeSign } from '../../words/degrees.ts'
import classes from './ArpeggioView.module.css'
import type { ArpeggioState } from './useArpeggio.ts'

const FIRST_SHOWN = 6

export function Scales({ state }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const [all, setAll] = useState(false)
  const { line, plan, change } = state
  const { scales } = line
  if (scales.length === 0)
    return (
      <p className={classes['aside']}>
        No scale of the catalogue holds all of these tones: the chord mixes colours of several.
      </p>
    )
  const shown = all ? scales : scales.slice(0, FIRST_SHOWN)
  return (
    <>
      <p className={classes['aside']}>The chord’s own tones are in all of these. The likeliest come first.</p>
      <ul className={classes['scales']}>
        {shown.map((fit) => (
          <li key={fit.scale.name} data-testid="scale-fit">
            <button
              type="button"
              aria-pressed={plan.scale === fit.scale.name}
              onClick={() => change({ scale: plan.scale === fit.scale.name ? undefined : fit.scale.name })}
            >
              {writeNote(plan.chord.root, settings.naming)} {withSigns(fit.scale.name)}
            </button>
            <small>{whyWords(fit, settings.naming)}</small>
          </li>
        ))}
      </ul>
      {scales.length > FIRST_SHOWN && (
        <button type="button" className={classes['quiet']} onClick={() => setAll(!all)}>
          {all ? 'only the likeliest' : `all ${scales.length}`}
        </button>
      )}
    </>
  )
}

function whyWords({ scale, adds, rubs, parent }: ScaleFit, naming: Parameters<typeof writeNote>[1]): string {
  const signs = (degrees: readonly Parameters<typeof degreeSign>[0][]) => degrees.map(degreeSign).join(' ')
  const added =
    adds.length === 0
      ? 'the very tones of the chord'
      : `adds ${signs(adds)}${adds.length === 1 ? ', one tone more than the arpeggio' : ''}`
  const rubbing =
    rubs.length === 0
      ? '; nothing rubs'
      : `; ${signs(rubs)} ${rubs.length === 1 ? 'rubs, a semitone above a chord tone' : 'rub, each a semitone above a chord tone'}`
  const home = scale.mode === 1 ? '' : `; step ${scale.mode} of ${writeNote(parent, naming)} ${scale.family}`
  return `${added}${adds.length === 0 ? '' : rubbing}${home}`
}
