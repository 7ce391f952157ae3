/** The one chord that speaks: its name, where its root lies, what comes next, and the beats. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { stringNumber } from '@nestling/core/neck'
import { writeNote } from '@nestling/core/pitch'
import type { RunStep } from '@nestling/core/practice'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { BEATS_IN_BAR } from '../toScore.ts'
import type { RunState } from '../useRun.ts'
import classes from './NowChord.module.css'
import { revealed } from './revealed.ts'

/** The name is not wider than this, in px; a letter of the serif is about so much of its height. */
const WIDEST = 372
const LETTER = 0.56
const LARGEST = 122

export function NowChord({ state }: { readonly state: RunState }) {
  const { settings } = useStore($session)
  const { steps, at, round, status, plan, neck, show } = state
  const step = steps[at]
  const next = steps.length > 1 ? steps[(at + 1) % steps.length] : undefined
  if (!step) return null
  const style = { naming: settings.naming, school: settings.symbols }
  const name = writeSymbol(step.chord, style)
  const size = Math.min(LARGEST, WIDEST / ([...name].length * LETTER))
  const isRunning = status === 'running' && round.at >= 0
  const each = plan.bars * BEATS_IN_BAR
  const shown = revealed(plan.showing, { ...round, isRunning, each })
  const strings = neck.open.length
  const order = (step.shape?.degrees ?? []).flatMap((degree) => (degree ? [degreeSign(degree)] : []))
  return (
    <div className={classes['now']}>
      <button
        type="button"
        className={classes['name']}
        style={{ '--size': `${size}px` } as React.CSSProperties}
        onClick={show}
        data-testid="run-chord"
        title="show it (S)"
      >
        {name}
      </button>
      <div className={classes['where']}>
        <p className={classes['root']} data-testid="run-where">
          {shown === 'nothing' ? 'you know where' : rootWords(step, strings)}
        </p>
        <p className={classes['twin']}>
          {step.twin && `${writeNote(step.root, settings.naming)} = ${writeNote(step.twin, settings.naming)} · `}
          {step.line ? (
            'from the lowest root, in eighths'
          ) : shown === 'nothing' ? (
            ''
          ) : (
            <>
              <b>{order.join(' ')}</b> from below
            </>
          )}
        </p>
        {next && (
          <p className={classes['then']}>
            then <strong>{writeSymbol(next.chord, style)}</strong>
            <span className={classes['thenWhere']}>
              {shown === 'nothing' || !next.shape ? '' : placeOf(next, strings)}
            </span>
          </p>
        )}
      </div>
      <Beats beat={isRunning ? round.beat : -1} bars={plan.bars} told={beatWords(state)} />
    </div>
  )
}

const placeOf = ({ string, shape }: RunStep, strings: number): string =>
  string === undefined || !shape ? '' : `string ${stringNumber(string, strings)}, ${fretOf(shape.frets[string])}`
const fretOf = (fret: number | null | undefined): string => (fret === 0 ? 'open' : `fret ${fret}`)

function rootWords(step: RunStep, strings: number): string {
  if (!step.shape) return 'no shape of it lies on these strings'
  const { string } = step
  const isRoot = string !== undefined && step.shape.degrees[string] === 'R'
  return `${isRoot ? 'root' : 'lowest tone'} on ${placeOf(step, strings)}`
}

function beatWords({ round, status, plan, steps }: RunState): string {
  if (status === 'counting' || status === 'starting') return 'counting in'
  if (status === 'off' || round.at < 0)
    return `${plan.bars === 1 ? 'a bar' : `${plan.bars} bars`} for each of ${steps.length}`
  const bar = round.at * plan.bars + Math.floor(round.beat / BEATS_IN_BAR)
  return `beat ${(round.beat % BEATS_IN_BAR) + 1} of ${BEATS_IN_BAR}, bar ${bar + 1} of ${steps.length * plan.bars}`
}

/** Beats as eggs that fill. */
function Beats({ beat, told }: { readonly beat: number; readonly bars: number; readonly told: string }) {
  const inBar = beat < 0 ? -1 : beat % BEATS_IN_BAR
  return (
    <div className={classes['beats']}>
      <svg viewBox="0 0 224 50" aria-hidden="true">
        {Array.from({ length: BEATS_IN_BAR }, (_, index) => (
          <ellipse
            key={index}
            cx={28 + index * 56}
            cy={25}
            rx={index === 0 ? 23 : 19}
            ry={index === 0 ? 17.5 : 14}
            transform={`rotate(-14 ${28 + index * 56} 25)`}
            className={classes['beat']}
            data-full={index <= inBar || undefined}
          />
        ))}
      </svg>
      <p data-testid="beat">{told}</p>
    </div>
  )
}
