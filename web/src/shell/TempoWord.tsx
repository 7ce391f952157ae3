/** A tempo by keys or by hand: a word of a sentence. */
import { useState } from 'react'
import { FASTEST, SLOWEST } from '../contracts/settings.ts'
import sentence from '../controls/sentence.module.css'
import { tempoWithin } from '../sound/tapTempo.ts'
import { changeSound } from '../state/playback.ts'
import classes from './PlayingSentence.module.css'

export function TempoWord({ tempo }: { readonly tempo: number }) {
  const [text, setText] = useState<string | undefined>(undefined)
  const set = (next: number) => changeSound({ tempo: tempoWithin(next) })
  return (
    <input
      className={`${sentence['word']} ${classes['tempo']}`}
      inputMode="numeric"
      aria-label="Tempo, beats per minute"
      title={`${SLOWEST} to ${FASTEST} beats per minute; ↑ ↓ by one`}
      value={text ?? tempo}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={() => {
        if (text !== undefined && /^\d+$/.test(text)) set(Number(text))
        setText(undefined)
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur()
        if (event.key === 'Escape') setText(undefined)
        const by = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key]
        if (by === undefined) return
        event.preventDefault()
        set(tempo + by)
      }}
    />
  )
}
