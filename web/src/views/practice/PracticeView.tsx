/** Practice: one thing at a time. A run through its roots, with what is remembered, heard and said of each. */
import { stringNumber } from '@nestling/core/neck'
import type { RunStep } from '@nestling/core/practice'
import { memo, type PointerEvent, useMemo, useRef } from 'react'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { spokenChord } from '../../words/spoken.ts'
import { Acts, Note } from './Acts.tsx'
import type { Params } from './address.ts'
import { runKeys, sharedActs } from './keys.ts'
import classes from './PracticeView.module.css'
import { NowChord } from './run/NowChord.tsx'
import { Roots } from './run/Roots.tsx'
import { RunNeck } from './run/RunNeck.tsx'
import { Strip } from './Strip.tsx'
import { RunSentence } from './sentence/RunSentence.tsx'
import { type RunState, useRun } from './useRun.ts'

export interface PracticeViewProps {
  readonly params: Params
  readonly page: PageData
}

export default function PracticeView(props: PracticeViewProps) {
  return (
    <Shell view="Practice" page={props.page} fixed foldsTray>
      <Bench params={props.params} />
    </Shell>
  )
}

const Bench = memo(function Bench({ params }: { readonly params: Params }) {
  const state = useRun(params)
  const keys = useMemo(() => runKeys(state), [state])
  const acts = useMemo(() => sharedActs(state), [state])
  const touch = useTouch(state)
  const { steps, at, neck } = state
  const isEmpty = steps.every(({ shape }) => shape === undefined)
  return (
    <Frame heading="A run" announcement={spoken(steps, at, neck.open.length)} acts={acts} keys={keys}>
      <RunSentence state={state}>
        <Acts state={state} />
      </RunSentence>
      <div className={classes['run']}>
        <Roots state={state} note={<Note state={state} />} />
        {isEmpty ? (
          <p className={classes['empty']}>
            No shape of it lies on these strings within the first fifteen frets. Take other strings in the sentence, the
            nearest place, or a chord with fewer tones.
          </p>
        ) : (
          <>
            <NowChord state={state} />
            <div {...touch} className={classes['neck']}>
              <RunNeck state={state} />
            </div>
          </>
        )}
      </div>
      <Strip state={state} />
    </Frame>
  )
})

/** "A flat minor seven, root string 5 fret 11, next D flat": one line for those who do not look. */
function spoken(steps: readonly RunStep[], at: number, strings: number): string {
  const step = steps[at]
  const next = steps.length > 1 ? steps[(at + 1) % steps.length] : undefined
  if (!step?.shape || step.string === undefined) return ''
  const fret = step.shape.frets[step.string]
  return `${spokenChord(step.chord)}, root string ${stringNumber(step.string, strings)} fret ${fret}${next ? `, next ${spokenChord(next.chord)}` : ''}`
}

const HOLD_MS = 450

/** On a touch screen the left third of the neck says lost, the right third had it, a long press hard. */
function useTouch({ grade }: Pick<RunState, 'grade'>) {
  const hold = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const held = useRef(false)
  return {
    onPointerDown: ({ pointerType }: PointerEvent) => {
      if (pointerType !== 'touch') return
      held.current = false
      hold.current = setTimeout(() => {
        held.current = true
        grade('hard')
      }, HOLD_MS)
    },
    onPointerUp: ({ pointerType, clientX, currentTarget }: PointerEvent) => {
      clearTimeout(hold.current)
      if (pointerType !== 'touch' || held.current) return
      const { left, width } = currentTarget.getBoundingClientRect()
      const share = (clientX - left) / width
      if (share < 1 / 3) grade('lost')
      else if (share > 2 / 3) grade('had')
    },
    onPointerCancel: () => clearTimeout(hold.current),
  }
}
