/** The chosen chord: its shape, and what it costs to get there, term by term. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { writeStep } from '@nestling/core/key'
import type { Taste } from '@nestling/core/taste'
import { memo } from 'react'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { gapReason } from '../../../words/path.ts'
import { counted, fretsWord } from '../../../words/shapes.ts'
import { TASTE_WORDS } from '../../../words/taste.ts'
import type { PathState } from '../usePath.ts'
import classes from './Beside.module.css'
import { StepNeck } from './StepNeck.tsx'

export const ChosenChord = memo(function ChosenChord({ state }: { readonly state: PathState }) {
  const { settings } = useStore($session)
  const { answer, chosenShape, key, player } = state
  const { played, found, plan } = answer
  const at = Math.min(plan.chosen, played.chords.length - 1)
  const one = played.chords[at]
  if (!one) return null
  const symbol = (chord: typeof one.chord) => writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  const gap = found.gaps.find(({ chord }) => chord === at)
  const previous = at > 0 ? at - 1 : plan.loop ? played.chords.length - 1 : undefined
  const before = previous === undefined ? undefined : found.shapes[previous]
  const from = previous === undefined ? undefined : played.chords[previous]
  const bass = chosenShape?.degrees.find((degree) => degree !== null)
  return (
    <section aria-label="The chosen chord" className={classes['section']}>
      <h2 className={classes['title']} data-testid="chosen-name">
        {symbol(one.chord)}
        <span>
          bar {one.bar + 1}
          {key && ` · ${writeStep(one.chord, key.key, 'capitals')}`}
          {bass && ` · ${degreeSign(bass)} in the bass`}
        </span>
        {chosenShape && <em data-testid="chosen-frets">{fretsWord(chosenShape.frets)}</em>}
      </h2>
      {gap && (
        <p className={classes['gap']} role="status">
          {symbol(one.chord)} {gapReason(gap.reason, plan.wishes, state.neck.lastFret)}.
        </p>
      )}
      {chosenShape && (
        <>
          <StepNeck
            root={one.chord.root}
            shape={chosenShape}
            before={before}
            lowOnTop={settings.lowOnTop}
            leftHanded={player.instrument.handed === 'left'}
          />
          <Cost state={state} at={at} from={from && symbol(from.chord)} />
        </>
      )}
    </section>
  )
})

/** The terms of the shape and of the step to it; they add up to what this chord adds to the whole. */
function Cost({
  state,
  at,
  from,
}: {
  readonly state: PathState
  readonly at: number
  readonly from: string | undefined
}) {
  const { found } = state.answer
  const shape = found.shapes[at]
  const step = found.steps[at]
  if (!shape) return null
  const moved = step?.moves.filter((by) => by !== undefined) ?? []
  const semitones = moved.reduce((sum, by) => sum + Math.abs(by), 0)
  const terms: readonly (readonly [string, string, number, string])[] = [
    [
      'voices',
      step
        ? `${counted(semitones, 'semitone')}: ${step.moves.map((by) => (by === undefined ? '·' : Math.abs(by))).join(', ')}`
        : '',
      step?.parts.voices ?? 0,
      'var(--soft)',
    ],
    ['hand', step ? `${Math.round(step.handMm)} mm` : '', step?.parts.hand ?? 0, 'var(--seventh)'],
    ['grip', gripWords(shape.taste), shape.parts.taste, 'var(--third)'],
    ['top voice', 'leaps past a third', step?.parts.top ?? 0, 'var(--ink)'],
    ['bass', 'leaps past a fifth', step?.parts.bass ?? 0, 'var(--ink)'],
    ['same chord', 'in another shape', step?.parts.same ?? 0, 'var(--extension)'],
    ['wishes', 'a wish is broken here', shape.parts.wishes + (step?.parts.wishes ?? 0), 'var(--danger)'],
    [
      'stays',
      step ? `${counted(step.staying, 'tone')}, ${counted(step.sliding, 'finger')}` : '',
      (step?.parts.stays ?? 0) + (step?.parts.fingers ?? 0),
      'var(--ease)',
    ],
  ]
  const all = shape.cost + (step?.cost ?? 0)
  const adds = terms.filter(([, , cost]) => cost > 0)
  const sum = adds.reduce((total, [, , cost]) => total + cost, 0)
  const nothing = terms.filter(([, , cost]) => Math.abs(cost) < 0.005).map(([name]) => name)
  let x = 0
  return (
    <>
      <h3 className={classes['head']}>
        {from && step ? `Getting here from ${from}` : 'Beginning here'}
        <span>
          <b data-testid="step-cost">{all.toFixed(2)}</b> of {found.total.toFixed(2)}
        </span>
      </h3>
      <svg viewBox="0 0 316 12" preserveAspectRatio="none" className={classes['cost']} aria-hidden="true">
        {adds.map(([name, , cost, colour]) => {
          const width = (cost / Math.max(sum, 1)) * 300
          const at_ = x
          x += width
          return (
            <rect key={name} x={at_} y={1} width={Math.max(0, width - 1)} height={7} rx={2} style={{ fill: colour }} />
          )
        })}
        <path d={`M${(all / Math.max(sum, 1)) * 300} 0V12`} stroke="var(--ink)" strokeWidth={1.6} />
      </svg>
      <ul className={classes['terms']}>
        {terms
          .filter(([, , cost]) => Math.abs(cost) >= 0.005)
          .map(([name, words, cost, colour]) => (
            <li key={name}>
              <i style={{ background: colour }} />
              <span>{name}</span>
              <small title={words}>{words}</small>
              <b>{signed(cost)}</b>
            </li>
          ))}
      </ul>
      {nothing.length > 0 && <p className={classes['aside']}>{nothing.join(' · ')} 0</p>}
    </>
  )
}

/** What weighs most in it, in words. */
function gripWords({ total, parts }: Taste): string {
  const most = parts.toSorted((a, b) => b.value - a.value).slice(0, 2)
  const told = most
    .filter(({ value }) => value >= 0.5)
    .map(({ term, value }) => `${TASTE_WORDS[term]} ${value.toFixed(1)}`)
  return [`taste ${total.toFixed(1)}`, ...told].join(', ')
}

export const signed = (cost: number): string => (cost < 0 ? `−${(-cost).toFixed(2)}` : cost.toFixed(2))
