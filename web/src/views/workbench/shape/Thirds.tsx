/** A formula as stacked thirds: blocks as wide as their semitones, three for a minor third and four for a major one. */
import { type Formula, type StackInterval, stackedThirds } from '@nestling/core/chord'
import { degreeSign } from '../../../words/degrees.ts'
import classes from './ThisShape.module.css'

const NAMES: Readonly<Record<StackInterval, string>> = {
  m3: 'minor third', M3: 'major third', m2: 'half step', M2: 'whole step', P4: 'fourth', TT: 'tritone', P5: 'fifth', m6: 'minor sixth', M6: 'sixth',
  m7: 'minor seventh', d3: 'diminished third', A3: 'augmented third',
} // biome-ignore format: a table

export function Thirds({ formula }: { readonly formula: Formula }) {
  const steps = stackedThirds(formula)
  return (
    <ol className={classes['thirds']} aria-label="As stacked thirds">
      {steps.map((step) => (
        <li key={step.from} style={{ flexGrow: step.semitones }} data-interval={step.interval}>
          <span>{step.interval}</span>
          <small>
            {degreeSign(step.from)}–{degreeSign(step.to)}
          </small>
          <span className="heard-only">{NAMES[step.interval]}</span>
        </li>
      ))}
    </ol>
  )
}
