/** The bare neck of a run: frets and strings of its window, the hand under it, who plucks which string. */
import { useStore } from '@nanostores/react'
import { pluckersOf } from '@nestling/core/hand'
import { plainName, writeNote } from '@nestling/core/pitch'
import type { RunStep } from '@nestling/core/practice'
import { $session } from '../../../state/session.ts'
import type { RunState } from '../useRun.ts'
import classes from './RunNeck.module.css'
import { fretsOf } from './tones.ts'
import type { RunWindow } from './window.ts'

const LANDMARKS = new Set([3, 5, 7, 9, 12, 15, 17, 19, 21, 24])

export function Wood({
  frame,
  silent,
}: {
  readonly frame: RunWindow
  readonly silent: readonly (number | null)[] | undefined
}) {
  const { from, to, top, bottom, row, wireX, strings, y } = frame
  const frets = Array.from({ length: to - from + 1 }, (_, index) => from + index)
  const a = wireX(from - 1)
  const b = wireX(to)
  return (
    <g>
      <rect
        x={Math.min(a, b)}
        y={top - row / 2}
        width={Math.abs(b - a)}
        height={bottom - top + row}
        className={classes['board']}
      />
      {[from - 1, ...frets].map((fret) => (
        <line
          key={fret}
          x1={wireX(fret)}
          x2={wireX(fret)}
          y1={top - row / 2}
          y2={bottom + row / 2}
          className={classes['fret']}
          data-nut={fret === 0 || undefined}
          data-octave={fret === 12 || undefined}
        />
      ))}
      {frets.map((fret) => (
        <text
          key={fret}
          x={(wireX(fret) + wireX(fret - 1)) / 2}
          y={bottom + row / 2 + 18}
          className={classes['number']}
          data-landmark={LANDMARKS.has(fret) || undefined}
        >
          {fret}
        </text>
      ))}
      {Array.from({ length: strings }, (_, string) => (
        <line
          key={string}
          x1={a}
          x2={b}
          y1={y(string)}
          y2={y(string)}
          className={classes['string']}
          strokeWidth={3.4 - (2.2 * string) / Math.max(1, strings - 1)}
          data-silent={silent?.[string] === null || undefined}
        />
      ))}
    </g>
  )
}

/** Under the ruler, where the hand is now and where it will be. */
export function Hand({
  frame,
  step,
  next,
}: {
  readonly frame: RunWindow
  readonly step: RunStep | undefined
  readonly next: RunStep | undefined
}) {
  const { bottom, row, tipX, egg } = frame
  const y = bottom + row / 2 + 28
  const bar = (one: RunStep | undefined) => {
    const pressed = (fretsOf(one) ?? []).filter((fret) => fret > 0)
    if (pressed.length === 0) return undefined
    const [a, b] = [tipX(Math.min(...pressed)), tipX(Math.max(...pressed))]
    return { x: Math.min(a, b) - egg * 0.6, width: Math.abs(a - b) + egg * 1.2 }
  }
  const now = bar(step)
  const then = frame.isFar ? undefined : bar(next)
  return (
    <g>
      {now && <rect {...now} y={y} height={9} rx={4.5} className={classes['hand']} />}
      {now && step?.shape && (
        <text x={now.x + now.width + 8} y={y + 8} className={classes['small']}>
          the hand now{step.line === undefined && `, ${Math.round(step.shape.reachMm)} mm`}
        </text>
      )}
      {then && then.x !== now?.x && <rect {...then} y={y} height={9} rx={4.5} className={classes['handThen']} />}
    </g>
  )
}

/** Before the nut: each string's number, name, and who plucks it. */
export function Letters({
  frame,
  step,
  neck,
}: {
  readonly frame: RunWindow
  readonly step: RunStep
  readonly neck: RunState['neck']
}) {
  const { settings } = useStore($session)
  const { strings, y, wireX, direction, from, width } = frame
  const x = wireX(from - 1)
  const letters = pluckersOf(step.shape?.frets ?? [])
  const isNarrow = width < 620
  return (
    <g>
      {Array.from({ length: strings }, (_, string) => (
        <g key={string}>
          <text x={x - direction * (isNarrow ? 46 : 64)} y={y(string) + 5} className={classes['name']}>
            <tspan className={classes['stringNumber']}>{strings - string}</tspan>{' '}
            {writeNote(plainName((neck.open[string] ?? 0) % 12), settings.naming)}
          </text>
          {letters[string] ? (
            <text x={x - direction * 24} y={y(string) + 6} className={classes['plucker']}>
              {letters[string]}
            </text>
          ) : (
            <path d={`M${x - direction * 24 - 6} ${y(string) - 6}l12 12m-12 0l12 -12`} className={classes['cross']} />
          )}
        </g>
      ))}
    </g>
  )
}
