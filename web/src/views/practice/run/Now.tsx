/** The tones of now on the neck of a run. */
import { useStore } from '@nanostores/react'
import type { StringVerdict } from '@nestling/core/ear'
import type { Neck } from '@nestling/core/neck'
import { spellDegree } from '@nestling/core/pitch'
import type { RunStep } from '@nestling/core/practice'
import { Egg } from '../../../neck/Egg.tsx'
import { eggLabel } from '../../../neck/labels.ts'
import { $session } from '../../../state/session.ts'
import { stringNoteHeard } from '../hearString.ts'
import { Oval } from './Oval.tsx'
import classes from './RunNeck.module.css'
import type { Revealed } from './revealed.ts'
import { tonesOf } from './tones.ts'
import type { RunWindow } from './window.ts'

/** The tones of now, each as far as it is shown; one that was heard right turns from dashed to itself. */
export function Now({
  frame,
  step,
  shown,
  verdicts,
  neck,
}: {
  readonly frame: RunWindow
  readonly step: RunStep
  readonly shown: Revealed
  readonly verdicts: readonly StringVerdict[] | undefined
  readonly neck: Neck
}) {
  const { settings } = useStore($session)
  const { tipX, y, egg, direction } = frame
  const { chord } = step
  const tones = tonesOf(step)
  const places = shown === 'all' || shown === 'places'
  return (
    <g>
      {places && (
        <path
          d={tones.map(({ fret, string }, index) => `${index === 0 ? 'M' : 'L'}${tipX(fret)} ${y(string)}`).join('')}
          className={classes['thread']}
        />
      )}
      {tones.map(({ fret, string, degree, finger, isRoot }) => {
        const isKnown = shown === 'all' || (isRoot && shown !== 'nothing') || verdicts?.[string]?.kind === 'rang'
        const isPlaced = isKnown || places
        const x = isPlaced ? tipX(fret) : frame.wireX(frame.from - 1) - direction * egg * 0.95
        if (!isPlaced && shown === 'nothing') return null
        return (
          <g
            key={`${string} ${fret}`}
            className={classes['tone']}
            data-testid="tone"
            data-known={isKnown || undefined}
            onPointerDown={() => stringNoteHeard(step, string, fret, neck)}
          >
            {isKnown ? (
              <Egg
                x={x}
                y={y(string)}
                size={egg}
                degree={degree ?? 'R'}
                label={
                  degree
                    ? eggLabel(
                        { degree, note: spellDegree(chord.root, degree), finger, fret },
                        settings.labels,
                        settings.naming,
                      )
                    : ''
                }
              />
            ) : (
              <Oval x={x} y={y(string)} size={isPlaced ? egg : egg * 0.6} kind="dashed" label={isPlaced ? '?' : ''} />
            )}
            {isKnown && finger !== null && settings.labels !== 'finger' && (
              <g className={classes['finger']}>
                <circle cx={x - direction * egg * 1.22} cy={y(string) + egg * 0.38} r={10} />
                <text x={x - direction * egg * 1.22} y={y(string) + egg * 0.38 + 4.5}>
                  {finger}
                </text>
              </g>
            )}
          </g>
        )
      })}
    </g>
  )
}
