/** A tempo by keys or by hand: a word of a sentence. */
import { useRef, useState } from 'react'
import { FASTEST, SLOWEST } from '../contracts/settings.ts'
import { leaveField } from '../controls/leaving.ts'
import { Rest } from '../controls/Rest.tsx'
import sentence from '../controls/sentence.module.css'
import { tempoWithin } from '../sound/tapTempo.ts'
import { changeSound } from '../state/playback.ts'
import classes from './PlayingSentence.module.css'

export function TempoWord({ tempo }: { readonly tempo: number }) {
  const [text, setText] = useState<string | undefined>(undefined)
  const set = (next: number) => changeSound({ tempo: tempoWithin(next) })
  const takenBack = useRef(false)
  return (
    <span>
      <input
        className={`${sentence['word']} ${classes['tempo']}`}
        inputMode="numeric"
        aria-label="Tempo, beats per minute"
        title={`${SLOWEST} to ${FASTEST} beats per minute; ↑ ↓ by one`}
        value={text ?? tempo}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={() => {
          if (!takenBack.current && text !== undefined && /^\d+$/.test(text)) set(Number(text))
          takenBack.current = false
          setText(undefined)
        }}
        onKeyDown={(event) => {
          takenBack.current = event.key === 'Escape'
          if (event.key === 'Enter' || event.key === 'Escape') leaveField(event.currentTarget)
          const by = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key]
          if (by === undefined) return
          event.preventDefault()
          set(tempo + by)
        }}
      />
      <Rest />
    </span>
  )
}
