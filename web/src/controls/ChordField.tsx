/** A field in which a chord is typed: what can't be read stays in it and is told beside it. */
import { useId } from 'react'
import type { Typed } from '../state/asked.ts'
import sentence from './sentence.module.css'

export interface ChordFieldProps {
  readonly id: string
  readonly typed: Typed
  readonly type: (text: string) => void
}

export function ChordField({ id, typed: { line, problem }, type }: ChordFieldProps) {
  const problemId = useId()
  return (
    <>
      <label className={sentence['field']}>
        <span className="heard-only">Chord</span>
        <kbd>/</kbd>
        <input
          id={id}
          className="plain-field"
          value={line}
          onChange={(event) => type(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur()
          }}
          aria-invalid={problem !== undefined}
          aria-describedby={problem === undefined ? undefined : problemId}
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          maxLength={40}
        />
      </label>
      {problem !== undefined && (
        <span id={problemId} role="alert" className={sentence['problem']}>
          {problem.message}
        </span>
      )}
    </>
  )
}
