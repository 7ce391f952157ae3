/** The neck of a run: this shape as far as it is shown, the next one as ghosts, and what the ear heard of each string. */
import { useElementSize } from '@mantine/hooks'
import { useStore } from '@nanostores/react'
import type { StringVerdict } from '@nestling/core/ear'
import { pluckersOf } from '@nestling/core/hand'
import { degreePitchClass, pitchClassOf, plainName, spellDegree, writeNote } from '@nestling/core/pitch'
import type { RunStep } from '@nestling/core/practice'
import { useMemo } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { eggLabel } from '../../../neck/labels.ts'
import { $session } from '../../../state/session.ts'
import { hopWords } from '../../../words/practice.ts'
import { stringNoteHeard } from '../hearString.ts'
import type { RunState } from '../useRun.ts'
import classes from './RunNeck.module.css'
import { revealed } from './revealed.ts'
import { type RunWindow, runWindow } from './window.ts'

/** Before the page is measured. */
const FIRST_WIDTH = 1232
const LANDMARKS = new Set([3, 5, 7, 9, 12, 15, 17, 19, 21, 24])

export function RunNeck({ state }: { readonly state: RunState }) {
  const { settings, instrument } = useStore($session)
  const { ref, width } = useElementSize()
  const { steps, at, neck, round, status, plan } = state
  const step = steps[at]
  const next = steps.length > 1 ? steps[(at + 1) % steps.length] : undefined
  const facing = { lowOnTop: settings.lowOnTop, leftHanded: instrument.handed === 'left' }
  const now = step?.shape?.frets
  const then = next?.shape?.frets
  const frame = useMemo(
    () => runWindow({ now, next: then, neck, width: width || FIRST_WIDTH, ...facing }),
    [now, then, neck, width, facing.lowOnTop, facing.leftHanded],
  )
  const isRunning = status === 'running' && round.at >= 0
  const shown = revealed(plan.showing, { ...round, isRunning, each: plan.bars * 4 })
  const verdicts = isRunning ? round.heard?.verdicts : undefined
  return (
    <div ref={ref} className={classes['area']}>
      <svg
        viewBox={`0 0 ${frame.width} ${frame.height}`}
        className={classes['neck']}
        aria-hidden="true"
        data-testid="run-neck"
      >
        <Wood frame={frame} silent={now} />
        <Hand frame={frame} step={step} next={next} />
        {step && next && !frame.isFar && <Next frame={frame} step={step} next={next} />}
        {step && <Now frame={frame} step={step} shown={shown} verdicts={verdicts} />}
        {step?.shape && <Letters frame={frame} step={step} neck={neck} />}
        {verdicts && step && <Heard frame={frame} step={step} verdicts={verdicts} neck={neck} />}
      </svg>
    </div>
  )
}

function Wood({
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
      <rect x={Math.min(a, b)} y={top - row / 2} width={Math.abs(b - a)} height={bottom - top + row} className={classes['board']} />
      {[from - 1, ...frets].map((fret) => (
        <line key={fret} x1={wireX(fret)} x2={wireX(fret)} y1={top - row / 2} y2={bottom + row / 2} className={classes['fret']} data-nut={fret === 0 || undefined} data-octave={fret === 12 || undefined} />
      ))}
      {frets.map((fret) => (
        <text key={fret} x={(wireX(fret) + wireX(fret - 1)) / 2} y={bottom + row / 2 + 18} className={classes['number']} data-landmark={LANDMARKS.has(fret) || undefined}>
          {fret}
        </text>
      ))}
      {Array.from({ length: strings }, (_, string) => (
        <line key={string} x1={a} x2={b} y1={y(string)} y2={y(string)} className={classes['string']} strokeWidth={3.4 - (2.2 * string) / Math.max(1, strings - 1)} data-silent={silent?.[string] === null || undefined} />
      ))}
    </g>
  ) // biome-ignore format: drawing
}

/** Under the ruler, where the hand is now and where it will be. */
function Hand({
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
  const bar = (shape: RunStep['shape']) => {
    const pressed = (shape?.frets ?? []).flatMap((fret) => (fret ? [fret] : []))
    if (pressed.length === 0) return undefined
    const [a, b] = [tipX(Math.min(...pressed)), tipX(Math.max(...pressed))]
    return { x: Math.min(a, b) - egg * 0.6, width: Math.abs(a - b) + egg * 1.2 }
  }
  const now = bar(step?.shape)
  const then = frame.isFar ? undefined : bar(next?.shape)
  return (
    <g>
      {now && <rect {...now} y={y} height={9} rx={4.5} className={classes['hand']} />}
      {now && step?.shape && (
        <text x={now.x + now.width + 8} y={y + 8} className={classes['small']}>
          the hand now, {Math.round(step.shape.reachMm)} mm
        </text>
      )}
      {then && then.x !== now?.x && <rect {...then} y={y} height={9} rx={4.5} className={classes['handThen']} />}
    </g>
  )
}

/** Where the hand goes: dashed tones, the root a stone, and which finger leads. */
function Next({ frame, step, next }: { readonly frame: RunWindow; readonly step: RunStep; readonly next: RunStep }) {
  const { tipX, y, egg, direction } = frame
  const shape = next.shape
  if (!shape || !step.shape) return null
  const tones = shape.frets.flatMap((fret, string) =>
    fret === null ? [] : [{ fret, string, isRoot: string === next.string }],
  )
  const same = tones.every(({ fret, string }) => step.shape?.frets[string] === fret)
  if (same) return null
  const lead = leadOf(step, next)
  return (
    <g className={classes['next']}>
      <path d={tones.map(({ fret, string }, index) => `${index === 0 ? 'M' : 'L'}${tipX(fret)} ${y(string)}`).join('')} className={classes['thread']} />
      {tones.map(({ fret, string, isRoot }) => (
        <g key={string}>
          <Oval x={tipX(fret)} y={y(string)} size={egg * 0.62} kind={isRoot ? 'stone' : 'dashed'} />
          {isRoot && (
            <text x={tipX(fret)} y={y(string) + 5} className={classes['stoneLabel']}>
              R
            </text>
          )}
        </g>
      ))}
      {lead && <Arrow from={[tipX(lead.from.fret), y(lead.from.string)]} to={[tipX(lead.to.fret), y(lead.to.string)]} egg={egg} words={`finger ${lead.finger}, ${hopWords(lead.to.fret - lead.from.fret)}`} direction={direction} />}
    </g>
  ) // biome-ignore format: drawing
}

/** The finger that both shapes use and that goes least: over strings and frets. */
function leadOf(step: RunStep, next: RunStep) {
  const place = (one: RunStep, finger: number) => {
    const string = one.shape?.fingering?.fingers.indexOf(finger as 1) ?? -1
    const fret = one.shape?.frets[string]
    return string < 0 || !fret ? undefined : { string, fret }
  }
  const leads = [1, 2, 3, 4].flatMap((finger) => {
    const [from, to] = [place(step, finger), place(next, finger)]
    return from && to
      ? [{ finger, from, to, way: Math.abs(from.string - to.string) + Math.abs(from.fret - to.fret) }]
      : []
  })
  return leads.toSorted((a, b) => a.way - b.way)[0]
}

function Arrow({
  from,
  to,
  egg,
  words,
  direction,
}: {
  readonly from: readonly [number, number]
  readonly to: readonly [number, number]
  readonly egg: number
  readonly words: string
  readonly direction: 1 | -1
}) {
  const [x1, y1] = from
  const [x2, y2] = to
  const way = Math.sign(x2 - x1) || direction
  const far = Math.abs(x2 - x1) > egg * 2.4
  const startX = far ? x1 + way * egg * 0.9 : x1
  const startY = far ? y1 + egg * 0.5 : y1 + egg * 0.8
  const endX = far ? x2 - way * egg * 0.8 : x2
  const endY = far ? y2 - egg * 0.1 : y2 - egg * 0.7
  const mid = (startX + endX) / 2
  const low = Math.max(startY, endY) + 8
  return (
    <g>
      <path d={`M${startX} ${startY}Q${mid} ${low} ${endX} ${endY}`} className={classes['arrow']} markerEnd="url(#run-arrow)" />
      <text x={mid} y={Math.min(startY, endY) - 2} className={classes['lead']}>
        {words}
      </text>
      <defs>
        <marker id="run-arrow" viewBox="0 0 10 10" refX="8" refY="5" markerWidth="8" markerHeight="8" orient="auto-start-reverse">
          <path d="M1 1L8 5L1 9" className={classes['head']} />
        </marker>
      </defs>
    </g>
  ) // biome-ignore format: drawing
}

/** The tones of now, each as far as it is shown; one that was heard right turns from dashed to itself. */
function Now({
  frame,
  step,
  shown,
  verdicts,
}: {
  readonly frame: RunWindow
  readonly step: RunStep
  readonly shown: ReturnType<typeof revealed>
  readonly verdicts: readonly StringVerdict[] | undefined
}) {
  const { settings } = useStore($session)
  const { tipX, y, egg, direction } = frame
  const { shape, chord } = step
  if (!shape) return null
  const tones = shape.frets.flatMap((fret, string) =>
    fret === null ? [] : [{ fret, string, degree: shape.degrees[string] }],
  )
  const places = shown === 'all' || shown === 'places'
  const fingers = shape.fingering?.fingers ?? []
  return (
    <g>
      {places && <path d={tones.map(({ fret, string }, index) => `${index === 0 ? 'M' : 'L'}${tipX(fret)} ${y(string)}`).join('')} className={classes['thread']} />}
      {tones.map(({ fret, string, degree }) => {
        const isRoot = string === step.string
        const isKnown = shown === 'all' || (isRoot && shown !== 'nothing') || verdicts?.[string]?.kind === 'rang'
        const isPlaced = isKnown || places
        const x = isPlaced ? tipX(fret) : frame.wireX(frame.from - 1) - direction * egg * 0.95
        if (!isPlaced && shown === 'nothing') return null
        const finger = fingers[string]
        return (
          <g key={string} className={classes['tone']} data-testid="tone" data-known={isKnown || undefined} onPointerDown={() => stringNoteHeard(step, string)}>
            {isKnown ? (
              <Egg x={x} y={y(string)} size={egg} degree={degree ?? 'R'} label={degree ? eggLabel({ degree, note: spellDegree(chord.root, degree), finger: finger ?? null, fret }, settings.labels, settings.naming) : ''} />
            ) : (
              <Oval x={x} y={y(string)} size={isPlaced ? egg : egg * 0.6} kind="dashed" label={isPlaced ? '?' : ''} />
            )}
            {isKnown && finger !== null && finger !== undefined && settings.labels !== 'finger' && (
              <g className={classes['finger']}>
                <circle cx={x - direction * egg * 1.22} cy={y(string) + egg * 0.38} r={10} />
                <text x={x - direction * egg * 1.22} y={y(string) + egg * 0.38 + 4.5}>{finger}</text>
              </g>
            )}
          </g>
        )
      })}
    </g>
  ) // biome-ignore format: drawing
}

function Oval({
  x,
  y,
  size,
  kind,
  label = '',
}: {
  readonly x: number
  readonly y: number
  readonly size: number
  readonly kind: 'dashed' | 'stone'
  readonly label?: string
}) {
  return (
    <>
      <ellipse
        cx={x}
        cy={y}
        rx={size}
        ry={size * 0.75}
        transform={`rotate(-14 ${x} ${y})`}
        className={classes['oval']}
        data-kind={kind}
      />
      {label !== '' && (
        <text x={x} y={y + size * 0.25} className={classes['asked']}>
          {label}
        </text>
      )}
    </>
  )
}

/** Before the nut: each string's number, name, and who plucks it. */
function Letters({
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
            <tspan className={classes['stringNumber']}>{strings - string}</tspan> {writeNote(plainName((neck.open[string] ?? 0) % 12), settings.naming)}
          </text>
          {letters[string] ? (
            <text x={x - direction * 24} y={y(string) + 6} className={classes['plucker']}>{letters[string]}</text>
          ) : (
            <path d={`M${x - direction * 24 - 6} ${y(string) - 6}l12 12m-12 0l12 -12`} className={classes['cross']} />
          )}
        </g>
      ))}
    </g>
  ) // biome-ignore format: drawing
}

/** At each string's end what the ear heard; a wrong fret where it was heard, with the way back. */
function Heard({
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
