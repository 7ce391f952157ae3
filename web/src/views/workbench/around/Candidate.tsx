/** A shape to be taken: pointed at or focused it is shown on the neck, pressed it comes into the hand. */
import type { Voicing } from '@nestling/core/voicing'
import type { ReactNode } from 'react'
import { $preview, takeVoicing } from '../../../state/workbench/index.ts'
import { hearShape } from '../hear.ts'
import classes from './Around.module.css'

export interface CandidateProps {
  readonly voicing: Voicing
  readonly label: string
  readonly now?: boolean
  readonly compact?: boolean
  readonly children: ReactNode
}

export function Candidate({ voicing, label, now = false, compact = false, children }: CandidateProps) {
  const look = () => $preview.set({ kind: 'look', frets: voicing.frets, chord: voicing.chord })
  const away = () => $preview.set(undefined)
  return (
    <button
      type="button"
      className={compact ? classes['chip'] : classes['candidate']}
      aria-label={label}
      aria-pressed={now}
      onMouseEnter={look}
      onMouseLeave={away}
      onFocus={look}
      onBlur={away}
      onClick={() => takeVoicing(voicing)}
      onContextMenu={(event) => {
        // The other button: hear it before taking it.
        event.preventDefault()
        hearShape(voicing.frets, voicing.chord)
      }}
      data-testid="candidate"
    >
      {children}
    </button>
  )
}
