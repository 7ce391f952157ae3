/** The neck of a run: this shape as far as it is shown, the next one as ghosts, and what the ear heard of each string. */
import { useElementSize } from '@mantine/hooks'
import { useStore } from '@nanostores/react'
import { useMemo } from 'react'
import { $session } from '../../../state/session.ts'
import type { RunState } from '../useRun.ts'
import { Heard } from './Heard.tsx'
import { Next } from './Next.tsx'
import { Now } from './Now.tsx'
import classes from './RunNeck.module.css'
import { revealed } from './revealed.ts'
import { fretsOf } from './tones.ts'
import { Hand, Letters, Wood } from './Wood.tsx'
import { runWindow } from './window.ts'

/** Before the page is measured. */
const FIRST_WIDTH = 1232

export function RunNeck({ state }: { readonly state: RunState }) {
  const { settings, instrument } = useStore($session)
  const { ref, width } = useElementSize()
  const { steps, at, neck, round, status, plan } = state
  const step = steps[at]
  const next = steps.length > 1 ? steps[(at + 1) % steps.length] : undefined
  const { lowOnTop } = settings
  const leftHanded = instrument.handed === 'left'
  const now = useMemo(() => fretsOf(step), [step])
  const then = useMemo(() => fretsOf(next), [next])
  const frame = useMemo(
    () => runWindow({ now, next: then, neck, width: width || FIRST_WIDTH, lowOnTop, leftHanded }),
    [now, then, neck, width, lowOnTop, leftHanded],
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
        <Wood frame={frame} silent={step?.shape?.frets} />
        <Hand frame={frame} step={step} next={next} />
        {step && next && !frame.isFar && <Next frame={frame} step={step} next={next} />}
        {step && <Now frame={frame} step={step} shown={shown} verdicts={verdicts} neck={neck} />}
        {step?.shape && <Letters frame={frame} step={step} neck={neck} />}
        {verdicts && step && <Heard frame={frame} step={step} verdicts={verdicts} neck={neck} />}
      </svg>
    </div>
  )
}
