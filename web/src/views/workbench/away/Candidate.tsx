/** A shape to be taken: pointed at or focused it is drawn on the neck as a ghost, pressed it comes into the hand. */
import type { Chord } from '@nestling/core/chord'
import type { Frets, Voicing } from '@nestling/core/voicing'
import type { MouseEvent, ReactNode } from 'react'
import { useMeant } from '../../../controls/useMeant.ts'
import { $preview, takeVoicing } from '../../../state/workbench/index.ts'
import { hearShape } from '../hear.ts'

/** What pointing at a shape does, for anything that can be pressed. */
export const lookAt = (frets: Frets, chord: Chord | undefined) => {
  const look = () => $preview.set({ kind: 'look', frets, chord })
  const away = () => {
    if ($preview.get()?.kind === 'look') $preview.set(undefined)
  }
  return { onMouseEnter: look, onMouseLeave: away, onFocus: look, onBlur: away }
}

export interface CandidateProps {
  readonly voicing: Voicing
  readonly label: string
  readonly className: string | undefined
  readonly now?: boolean
  /** Something else than taking it, for a click with Shift. */
  readonly onShift?: (() => void) | undefined
  readonly title?: string | undefined
  readonly isOtherRoot?: boolean
  readonly children: ReactNode
}

export function Candidate(props: CandidateProps) {
  const { voicing, label, now = false, onShift } = props
  // The same words may be said of a shape elsewhere on the neck.
  const { onPointerDown, isMeant } = useMeant(label + voicing.frets)
  return (
    <button
      type="button"
      className={props.className}
      aria-label={label}
      aria-pressed={now}
      title={props.title}
      data-other-root={props.isOtherRoot || undefined}
      {...lookAt(voicing.frets, voicing.chord)}
      onPointerDown={onPointerDown}
      onClick={(event: MouseEvent) => {
        if (!isMeant(event)) return
        $preview.set(undefined)
        if (event.shiftKey && onShift) onShift()
        else takeVoicing(voicing)
      }}
      onContextMenu={(event) => {
        // The other button: hear it before taking it.
        event.preventDefault()
        hearShape(voicing.frets, voicing.chord)
      }}
      data-testid="candidate"
    >
      {props.children}
    </button>
  )
}
