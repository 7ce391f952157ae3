/** The measures as things to take hold of: bridge, string ends, fingerboard, reach, and the capo with the strings it holds. */
import { type Instrument, type InstrumentMeasure, measureLimits, measureOf, stringNumber } from '@nestling/core/neck'
import { draftOf } from '../../../contracts/instrument.ts'
import { keepPulled } from '../bench/bench.ts'
import classes from './Drawing.module.css'
import { Handle } from './Handle.tsx'
import { type BenchScale, EDGE, handleAt, MIDDLE_Y, type Point } from './scale.ts'

export interface MeasureHandleProps {
  readonly measure: InstrumentMeasure
  readonly label: string
  readonly instrument: Instrument
  readonly scale: BenchScale
  readonly pull: (measure: InstrumentMeasure, to: Point) => void
  readonly release: () => void
  readonly cancel: () => void
  readonly step: (measure: InstrumentMeasure, by: 1 | -1, large: boolean) => void
}

export function MeasureHandle({ measure, label, instrument, scale, pull, release, cancel, step }: MeasureHandleProps) {
  const at = handleAt(measure, instrument, scale)
  const limits = measureLimits(measure, instrument)
  const value = measureOf(instrument, measure)
  const isAcross = measure === 'spacingNutMm' || measure === 'spacingBridgeMm'
  return (
    <Handle
      label={label}
      value={value}
      least={measure === 'capo' ? 0 : limits.least}
      most={Math.max(limits.most, 0)}
      spoken={
        measure === 'capo' && value === 0 ? 'none' : limits.unit === 'mm' ? `${value} millimetres` : `fret ${value}`
      }
      at={at}
      moves={isAcross ? 'across' : 'along'}
      testId={`handle-${measure}`}
      pull={(to) => pull(measure, to)}
      release={release}
      cancel={cancel}
      step={(by, large) => step(measure, by, large)}
    >
      <Grip measure={measure} at={at} instrument={instrument} scale={scale} />
    </Handle>
  )
}

/** What is seen of a handle. */
function Grip({
  measure,
  at: { x, y },
  instrument,
  scale,
}: Pick<MeasureHandleProps, 'measure' | 'instrument' | 'scale'> & { readonly at: Point }) {
  const half = scale.halfAt(scale.mm(x) / instrument.scaleLengthMm)
  switch (measure) {
    case 'scaleLengthMm':
      return (
        <>
          <path d={`M${x} ${y - half - 6}V${y + half + 6}`} className={classes['bridge']} />
          <circle cx={x} cy={16} r={6} className={classes['grip']} />
          <rect x={x - 12} y={4} width={24} height={y + half + 4} className={classes['hit']} />
        </>
      )
    case 'spacingNutMm':
    case 'spacingBridgeMm': {
      const side = measure === 'spacingNutMm' ? -scale.direction : scale.direction
      const outward = Math.sign(y - MIDDLE_Y)
      const gap = Math.abs(
        scale.stringY(1, measure === 'spacingNutMm' ? 0 : 1) - scale.stringY(0, measure === 'spacingNutMm' ? 0 : 1),
      )
      const at = x + side * 15
      return (
        <>
          <path
            d={`M${at} ${y}V${y - outward * gap}M${at - 5} ${y}H${at + 5}M${at - 5} ${y - outward * gap}H${at + 5}`}
            className={classes['measure']}
          />
          <circle cx={at} cy={y} r={5} className={classes['grip']} />
          <rect x={at - 14} y={y - 14} width={28} height={28} className={classes['hit']} />
        </>
      )
    }
    case 'frets':
      return (
        <>
          <path d={`M${x} ${y - half}V${y + half}`} className={classes['end']} />
          <circle cx={x} cy={y - half - 5} r={5} className={classes['grip']} />
          <rect x={x - 12} y={y - half - 16} width={24} height={half * 2 + 16} className={classes['hit']} />
        </>
      )
    case 'lastReachableFret':
      return (
        <>
          <path d={`M${x} ${y - half - 6}V${y + half + 8}`} className={classes['reachEnd']} />
          <circle cx={x} cy={y + half + 8} r={5} className={classes['grip']} />
          <rect x={x - 12} y={y - half - 6} width={24} height={half * 2 + 28} className={classes['hit']} />
        </>
      )
    case 'capo':
      return (
        <>
          <CapoBar instrument={instrument} scale={scale} x={x} half={instrument.capo ? half : scale.halfAt(0)} />
          <rect x={x - 13} y={y - half - 4} width={26} height={half * 2 + 8} className={classes['hit']} />
        </>
      )
  }
}

/** The capo over the strings that it holds; beside the nut where it is not on the neck. */
function CapoBar({
  instrument: { capo },
  scale,
  x,
  half,
}: {
  readonly instrument: Instrument
  readonly scale: BenchScale
  readonly x: number
  readonly half: number
}) {
  if (!capo)
    return (
      <g className={classes['capo']} data-off>
        <path d={`M${x} ${MIDDLE_Y - half + 4}V${MIDDLE_Y + half - 4}`} />
      </g>
    )
  const share = 0.2
  const held = capo.strings === 'all' ? undefined : capo.strings.map((number) => scale.strings - number)
  const ys = (held ?? [0, scale.strings - 1]).map((string) => scale.stringY(string, share))
  return (
    <g className={classes['capo']}>
      <path d={`M${x} ${Math.min(...ys) - EDGE}V${Math.max(...ys) + EDGE}`} />
    </g>
  )
}

/** With a capo on the neck: which strings it holds. */
export function CapoStrings({ instrument, scale }: Pick<MeasureHandleProps, 'instrument' | 'scale'>) {
  const { capo } = instrument
  if (!capo) return null
  const all = Array.from({ length: scale.strings }, (_, string) => stringNumber(string, scale.strings))
  const held = capo.strings === 'all' ? all : capo.strings
  const x = scale.tipX(capo.fret)
  const toggle = (number: number) => {
    const next = held.includes(number) ? held.filter((one) => one !== number) : [...held, number].sort((a, b) => b - a)
    if (next.length === 0) return
    const strings = next.length === all.length ? ('all' as const) : next
    void keepPulled({
      ...draftOf(instrument),
      capo: { fret: capo.fret, strings: strings === 'all' ? strings : [...strings] },
    })
  }
  return all.map((number) => {
    const y = scale.stringY(scale.strings - number, 0.2)
    const isHeld = held.includes(number)
    return (
      <g
        key={number}
        role="checkbox"
        aria-checked={isHeld}
        aria-label={`The capo holds string ${number}`}
        tabIndex={0}
        className={classes['capoString']}
        onClick={() => toggle(number)}
        onKeyDown={(event) => {
          if (event.key !== ' ' && event.key !== 'Enter') return
          event.preventDefault()
          event.stopPropagation()
          toggle(number)
        }}
      >
        <rect x={x - 9} y={y - 8} width={18} height={16} className={classes['hit']} />
        <circle cx={x} cy={y} r={4.5} data-held={isHeld || undefined} />
      </g>
    )
  })
}
