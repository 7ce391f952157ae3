/** What the ear heard of each string of a run. */
import { useStore } from '@nanostores/react'
import type { StringVerdict } from '@nestling/core/ear'
import { degreePitchClass, pitchClassOf, plainName, spellDegree, writeNote } from '@nestling/core/pitch'
import type { RunStep } from '@nestling/core/practice'
import { $session } from '../../../state/session.ts'
import type { RunState } from '../useRun.ts'
import classes from './RunNeck.module.css'
import type { RunWindow } from './window.ts'

/** At each string's end what the ear heard; a wrong fret where it was heard, with the way back. */
export function Heard({
  frame,
  step,
  verdicts,
  neck,
}: {
  readonly frame: RunWindow
  readonly step: RunStep
  readonly verdicts: readonly StringVerdict[]
  readonly neck: RunState['neck']
}) {
  return (
    <g textAnchor={frame.direction === 1 ? 'start' : 'end'}>
      {verdicts.map((verdict, string) => (
        <HeardString key={string} frame={frame} step={step} neck={neck} verdict={verdict} string={string} />
      ))}
      <defs>
        <marker id="run-back" viewBox="0 0 10 10" refX="8" refY="5" markerWidth="7" markerHeight="7" orient="auto">
          <path d="M1 1L8 5L1 9" className={classes['backHead']} />
        </marker>
      </defs>
    </g>
  )
}

interface HeardStringProps {
  readonly frame: RunWindow
  readonly step: RunStep
  readonly neck: RunState['neck']
  readonly verdict: StringVerdict
  readonly string: number
}

function HeardString({ frame, step, neck, verdict, string }: HeardStringProps) {
  const { settings } = useStore($session)
  const { wireX, to, tipX, direction, egg } = frame
  const x = wireX(to) + direction * 12
  const words = x + direction * 40
  const y = frame.y(string)
  const fret = step.shape?.frets[string] ?? 0
  const note = (by: number) => nameOn(step, neck, string, fret + by, settings.naming)
  const small = (text: string, className = 'small') => (
    <text x={words} y={y + 5} className={classes[className]}>
      {text}
    </text>
  )
  switch (verdict.kind) {
    case 'still':
      return (
        <g>
          <path d={`M${x} ${y}h${direction * 30}`} className={classes['still']} />
          {small('still')}
        </g>
      )
    case 'rang':
      return (
        <g>
          <Wave x={x} y={y} direction={direction} />
          {small(note(0), 'rang')}
        </g>
      )
    case 'missing':
      return (
        <g>
          <path d={`M${x} ${y}h${direction * 14}`} className={classes['fault']} />
          {small('not heard', 'faultWords')}
        </g>
      )
    case 'rings':
      return (
        <g>
          <Wave x={x} y={y} direction={direction} fault />
          {small('rings', 'faultWords')}
        </g>
      )
    case 'unclear':
      return (
        <g>
          <text x={x + direction * 10} y={y + 5} className={classes['small']}>
            ?
          </text>
          {small('can’t tell')}
        </g>
      )
    case 'off': {
      const wrong = tipX(fret + verdict.by)
      const right = tipX(fret)
      const way = Math.sign(right - wrong)
      const back = `M${wrong + way * 12} ${y - 6}Q${(wrong + right) / 2} ${y - 18} ${right - way * egg * 1.1} ${y - 4}`
      return (
        <g>
          <Wave x={x} y={y - 7} direction={direction} fault />
          <text x={words} y={y - 3} className={classes['faultNote']}>
            {note(verdict.by)}
          </text>
          <text x={x} y={y + 16} className={classes['faultWords']}>
            a fret {verdict.by > 0 ? 'high' : 'low'}
          </text>
          <path d={`M${wrong - 9} ${y}l9 -9l9 9l-9 9z`} className={classes['diamond']} />
          <path d={back} className={classes['back']} markerEnd="url(#run-back)" />
        </g>
      )
    }
  }
}

const Wave = ({
  x,
  y,
  direction,
  fault = false,
}: {
  readonly x: number
  readonly y: number
  readonly direction: 1 | -1
  readonly fault?: boolean
}) => (
  <path
    d={`M${x} ${y}q${direction * 4} -14 ${direction * 8} 0t${direction * 8} 0t${direction * 8} 0t${direction * 8} 0`}
    className={classes['wave']}
    data-fault={fault || undefined}
  />
)

/** What a string sounds there: spelled in the chord where it is of it. */
function nameOn(
  { chord }: RunStep,
  neck: RunState['neck'],
  string: number,
  fret: number,
  naming: Parameters<typeof writeNote>[1],
): string {
  const pitchClass = ((neck.open[string] ?? 0) + fret) % 12
  const above = (pitchClass - pitchClassOf(chord.root) + 12) % 12
  const degree = chord.formula.find((one) => degreePitchClass(one) === above)
  return writeNote((degree && spellDegree(chord.root, degree)) ?? plainName(pitchClass), naming)
}
