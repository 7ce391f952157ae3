/** A lane as a staircase: every step a row, all on one fret ruler; from row to row the way of the hand on its own string. */
import { useStore } from '@nanostores/react'
import { type Chord, writeSymbol } from '@nestling/core/chord'
import type { Lane, LaneStep } from '@nestling/core/lane'
import { fretDistanceMm, stringNumber } from '@nestling/core/neck'
import { type Degree, type NoteName, spellDegree } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import type { Frets } from '@nestling/core/voicing'
import { memo, useEffect, useMemo, useRef } from 'react'
import { type ManyEgg, ManyEggs } from '../../../neck/ManyEggs.tsx'
import { useEggLabels } from '../../../shell/useEggLabels.ts'
import { $session } from '../../../state/session.ts'
import { degreeName } from '../../../words/degrees.ts'
import { gapWords } from '../../../words/lane.ts'
import { counted, fretsWord } from '../../../words/shapes.ts'
import type { KeyState } from '../useKey.ts'
import { Hops } from './Hops.tsx'
import { hopTo } from './hops.ts'
import classes from './Staircase.module.css'
import { alongStrings, OPEN_ASIDE, type Ruled, type StairLayout, stairLayout } from './stairs.ts'
import { useLaneDrag } from './useLaneDrag.ts'

const LANDMARKS = new Set([3, 5, 7, 9, 12, 15, 17])

export interface StaircaseProps {
  readonly state: KeyState
  readonly lane: Lane
  readonly number: number
  readonly lastFret: number
  readonly width: number
  readonly height: number
  /** The step that sounds. */
  readonly sounds: number | undefined
}

export function Staircase({ state, lane, number, lastFret, width, height, sounds }: StaircaseProps) {
  const { settings } = useStore($session)
  const { answer, player, change, hearChosen } = state
  const { plan, neck } = answer
  const leftHanded = instrumentFor(plan, player).handed === 'left'
  const { lowOnTop } = settings
  const layout = useMemo(
    () => stairLayout(lane, neck, lastFret, { width, height, lowOnTop, leftHanded }),
    [lane, neck, lastFret, width, height, lowOnTop, leftHanded],
  )
  const take = (step: number) => change({ step, lane: number })
  const symbolOf = (chord: Chord) => writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  const box = useRef<SVGSVGElement>(null)
  const drag = useLaneDrag(lane, layout, box, (from) => change({ from, lane: number }))
  // Where the keyboard stands on a step, it goes along with the arrows.
  useEffect(() => {
    const at = document.activeElement
    if (at instanceof SVGElement && box.current?.contains(at) && plan.lane === number)
      box.current.querySelector<SVGElement>('[tabindex="0"]')?.focus()
  }, [plan.step, plan.lane, number])
  return (
    <svg
      ref={box}
      viewBox={`0 0 ${width} ${height}`}
      className={classes['stairs']}
      role="group"
      aria-label={`Lane ${number + 1}, from step 1 at the foot`}
      data-testid="lane"
      {...drag.handlers}
    >
      <Wires layout={layout} />
      {lane.steps.map((step, index) => (
        <Row
          key={step.step}
          step={step}
          before={lane.steps[index - 1]}
          layout={layout}
          isChosen={plan.step === step.step && plan.lane === number}
          isStop={plan.step === step.step}
          isSounding={sounds === step.step}
          strings={neck.open.length}
          symbolOf={symbolOf}
          take={() => {
            if (drag.wasDragged()) return
            if (plan.step === step.step && plan.lane === number) hearChosen()
            else take(step.step)
          }}
        />
      ))}
      <Hops lane={lane} layout={layout} symbolOf={symbolOf} />
      <Tones lane={lane} layout={layout} />
      {drag.start !== undefined && (
        <g className={classes['start']} data-testid="lane-start">
          <path d={`M${layout.tipX(drag.start)} 0V${height}`} />
          <text x={layout.tipX(drag.start) + 5} y={height - 6}>
            from fret {drag.start}
          </text>
        </g>
      )}
    </svg>
  )
}

const Wires = memo(function Wires({ layout }: { readonly layout: StairLayout }) {
  const { height, nut, lastFret, fretX } = layout
  const frets = Array.from({ length: lastFret }, (_, index) => index + 1)
  const lines = (of: readonly number[]) => of.map((fret) => `M${fretX(fret)} 0V${height}`).join('')
  return (
    <g className={classes['frets']}>
      <path d={lines(frets.filter((fret) => fret % 12 !== 0))} />
      <path d={lines(frets.filter((fret) => fret % 12 === 0))} data-octave />
      <path d={`M${nut} 0V${height}`} data-nut />
    </g>
  )
})

/** The numbers of the frets, over the lane and under it: one text, which is laid out once. */
export const Ruler = memo(function Ruler(ruled: Ruled) {
  const { lastFret, width } = ruled
  const along = alongStrings(ruled)
  const fretX = (fret: number) => along(fretDistanceMm(ruled.scaleLengthMm, fret))
  return (
    <svg viewBox={`0 0 ${width} 15`} className={classes['ruler']} aria-hidden="true">
      <text>
        {Array.from({ length: lastFret }, (_, index) => index + 1).map((fret) => (
          <tspan
            key={fret}
            x={(fretX(fret) + fretX(fret - 1)) / 2}
            y={12}
            data-landmark={LANDMARKS.has(fret) || undefined}
          >
            {Math.abs(fretX(fret) - fretX(fret - 1)) > 15 || LANDMARKS.has(fret) ? fret : ''}
          </tspan>
        ))}
      </text>
    </svg>
  )
})

interface RowProps {
  readonly step: LaneStep
  readonly before: LaneStep | undefined
  readonly layout: StairLayout
  readonly isChosen: boolean
  /** Where Tab comes into the lane. */
  readonly isStop: boolean
  readonly isSounding: boolean
  readonly strings: number
  readonly symbolOf: (chord: Chord) => string
  readonly take: () => void
}

function Row({ step, before, layout, isChosen, isStop, isSounding, strings, symbolOf, take }: RowProps) {
  const { stringY, rowTop, rowHeight, width } = layout
  const shape = step.shape ?? step.instead?.shape
  const hop = hopTo(step, before)
  const lines = (strings: readonly number[]) =>
    strings.map((string) => `M${layout.nut} ${stringY(step.step, string)}H${layout.end}`).join('')
  return (
    <g
      role="button"
      tabIndex={isStop ? 0 : -1}
      aria-pressed={isChosen}
      aria-label={spoken(step, strings, symbolOf)}
      className={classes['row']}
      data-testid="lane-step"
      data-step={step.step}
      data-frets={step.shape ? fretsWord(step.shape.frets) : ''}
      data-sounds={isSounding || undefined}
      onClick={take}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return
        event.preventDefault()
        take()
      }}
    >
      {hop && (
        <title>{`${counted(Math.abs(hop.by), 'fret')} ${hop.by < 0 ? 'down' : 'up'}, ${Math.round(step.hopMm ?? 0)} mm`}</title>
      )}
      <rect x={0} y={rowTop(step.step)} width={width} height={rowHeight} className={classes['field']} />
      <path d={lines(layout.strings.filter((string) => !layout.silent.has(string)))} className={classes['string']} />
      {layout.silent.size > 0 && <path d={lines([...layout.silent])} className={classes['string']} data-silent />}
      {!step.shape && step.refused && <Refused frets={step.refused} step={step.step} layout={layout} />}
      {!shape && (
        <text x={width / 2} y={rowTop(step.step) + rowHeight / 2 + 4} className={classes['why']}>
          {step.gap && gapWords(step.gap)}
        </text>
      )}
    </g>
  )
}

/** The tones of all steps, over their rows; those of a chord that stands in for a step are fainter. */
const Tones = memo(function Tones({ lane, layout }: { readonly lane: Lane; readonly layout: StairLayout }) {
  const labelOf = useEggLabels()
  const size = Math.min(9.5, layout.pitch * 0.66)
  const own = lane.steps.flatMap(({ step, chord, shape }) => (shape ? tonesOf(step, chord, shape, layout) : []))
  const instead = lane.steps.flatMap(({ step, shape, instead: other }) =>
    shape || !other ? [] : tonesOf(step, other.chord, other.shape, layout),
  )
  // A string that rings on outside the chord has no degree.
  const drawn = (tones: readonly Tone[]) => (
    <>
      <ManyEggs eggs={tones.filter(isTold)} size={size} labelOf={labelOf} />
      <ManyEggs eggs={tones.flatMap((tone) => (tone.degree ? [] : [{ ...tone, degree: '9' as const }]))} size={size} />
    </>
  )
  return (
    <g className={classes['tones']} aria-hidden>
      {drawn(own)}
      {instead.length > 0 && <g data-instead>{drawn(instead)}</g>}
    </g>
  )
})

type Tone = Omit<ManyEgg, 'degree'> & { readonly degree: Degree | undefined }
const isTold = (tone: Tone): tone is Tone & ManyEgg => tone.degree !== undefined

function tonesOf(
  step: number,
  { root }: Chord,
  shape: NonNullable<LaneStep['shape']>,
  layout: StairLayout,
): readonly Tone[] {
  const aside = openAside(shape.frets)
  return shape.frets.flatMap((fret, string) =>
    fret === null
      ? []
      : [
          {
            x: layout.tipX(fret) - (aside.has(string) ? OPEN_ASIDE * layout.direction : 0),
            y: layout.stringY(step, string),
            degree: shape.degrees[string] ?? undefined,
            note: noteOf(root, shape.degrees[string]),
            finger: shape.fingering?.fingers[string],
            fret,
          },
        ],
  )
}

const noteOf = (root: NoteName, degree: Degree | null | undefined): NoteName | undefined =>
  degree ? spellDegree(root, degree) : undefined

/** Of neighbouring open strings every second steps aside, so that no two tones touch. */
function openAside(frets: Frets): ReadonlySet<number> {
  const aside = new Set<number>()
  for (const [string, fret] of frets.entries())
    if (fret === 0 && frets[string - 1] === 0 && !aside.has(string - 1)) aside.add(string)
  return aside
}

function Refused({
  frets,
  step,
  layout,
}: {
  readonly frets: LaneStep['refused']
  readonly step: number
  readonly layout: StairLayout
}) {
  return (frets ?? []).map((fret, string) =>
    fret === null || fret > layout.lastFret ? null : (
      <ellipse
        key={string}
        cx={layout.tipX(fret)}
        cy={layout.stringY(step, string)}
        rx={7}
        ry={5}
        className={classes['refused']}
      />
    ),
  )
}

function spoken(step: LaneStep, strings: number, symbolOf: RowProps['symbolOf']): string {
  const name = `step ${step.step}, ${symbolOf(step.chord)}`
  const shape = step.shape ?? step.instead?.shape
  if (!shape) return `${name}: no shape, ${step.gap ? gapWords(step.gap) : ''}`
  const tones = shape.frets.flatMap((fret, string) => {
    const degree = shape.degrees[string]
    return fret === null
      ? []
      : [
          `string ${stringNumber(string, strings)} ${fret === 0 ? 'open' : `fret ${fret}`}${degree ? ` the ${degreeName(degree)}` : ''}`,
        ]
  })
  const hop =
    step.hopFrets === undefined
      ? ''
      : `, ${counted(Math.abs(step.hopFrets), 'fret')} ${step.hopFrets < 0 ? 'down' : 'up'}, ${Math.round(step.hopMm ?? 0)} millimetres`
  const instead = step.instead && !step.shape ? `, not to be had so; ${symbolOf(step.instead.chord)} instead` : ''
  return `${name}${instead}: ${tones.join(', ')}${hop}`
}
