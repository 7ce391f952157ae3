/** Where the hand of a run goes next. */
import type { Finger } from '@nestling/core/hand'
import type { RunStep } from '@nestling/core/practice'
import { hopWords } from '../../../words/practice.ts'
import { Oval } from './Oval.tsx'
import classes from './RunNeck.module.css'
import { type StepTone, tonesOf } from './tones.ts'
import type { RunWindow } from './window.ts'

/** Where the hand goes: dashed tones, the root a stone, and which finger leads. */
export function Next({
  frame,
  step,
  next,
}: {
  readonly frame: RunWindow
  readonly step: RunStep
  readonly next: RunStep
}) {
  const { tipX, y, egg, direction } = frame
  const tones = tonesOf(next)
  const before = tonesOf(step)
  if (tones.length === 0 || before.length === 0) return null
  const stays = ({ fret, string }: StepTone) => before.some((one) => one.fret === fret && one.string === string)
  if (tones.every(stays)) return null
  const lead = leadOf(step, next)
  return (
    <g className={classes['next']}>
      <path
        d={tones.map(({ fret, string }, index) => `${index === 0 ? 'M' : 'L'}${tipX(fret)} ${y(string)}`).join('')}
        className={classes['thread']}
      />
      {tones.map(({ fret, string, isRoot }) => (
        <g key={`${string} ${fret}`}>
          <Oval x={tipX(fret)} y={y(string)} size={egg * 0.62} kind={isRoot ? 'stone' : 'dashed'} />
          {isRoot && (
            <text x={tipX(fret)} y={y(string) + 5} className={classes['stoneLabel']}>
              R
            </text>
          )}
        </g>
      ))}
      {lead && (
        <Arrow
          from={[tipX(lead.from.fret), y(lead.from.string)]}
          to={[tipX(lead.to.fret), y(lead.to.string)]}
          egg={egg}
          words={leadWords(lead)}
          direction={direction}
        />
      )}
    </g>
  )
}

interface Lead {
  readonly finger: Finger
  readonly from: StepTone
  readonly to: StepTone
}

/** The finger that both use and that goes least: over strings and frets. */
function leadOf(step: RunStep, next: RunStep): Lead | undefined {
  const after = tonesOf(next)
  const leads = tonesOf(step).flatMap((from) => {
    const to = after.find(({ finger }) => finger === from.finger)
    if (from.finger === null || !to) return []
    return [{ finger: from.finger, from, to, way: Math.abs(from.string - to.string) + Math.abs(from.fret - to.fret) }]
  })
  return leads.toSorted((a, b) => a.way - b.way)[0]
}

const leadWords = ({ finger, from, to }: Lead): string =>
  from.fret === to.fret ? `finger ${finger}, the same fret` : `finger ${finger}, ${hopWords(to.fret - from.fret)}`

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
      <path
        d={`M${startX} ${startY}Q${mid} ${low} ${endX} ${endY}`}
        className={classes['arrow']}
        markerEnd="url(#run-arrow)"
      />
      <text
        x={far ? mid : mid + egg * 1.3}
        y={far ? Math.min(startY, endY) - 2 : (startY + endY) / 2}
        className={classes['lead']}
        data-beside={!far || undefined}
      >
        {words}
      </text>
      <defs>
        <marker
          id="run-arrow"
          viewBox="0 0 10 10"
          refX="8"
          refY="5"
          markerWidth="8"
          markerHeight="8"
          orient="auto-start-reverse"
        >
          <path d="M1 1L8 5L1 9" className={classes['head']} />
        </marker>
      </defs>
    </g>
  )
}
