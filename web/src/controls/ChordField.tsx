/** The field in which another chord is typed, the same line as Build's: what can't be read stays in it and is told beside it. */
import type { Typed } from '../state/asked.ts'
import sentence from './sentence.module.css'

export interface ChordFieldProps {
  readonly id: string
  readonly typed: Typed
  readonly type: (text: string) => void
  /** The line ends: what its beginning had done is taken back if it can't be read. */
  readonly finish: () => void
  /** What is typed there, for the ear. */
  readonly label?: string | undefined
}

export const ChordField = ({ id, typed: { line, problem }, type, finish, label = 'Chord' }: ChordFieldProps) => (
  <label className={sentence['field']}>
    <span className="heard-only">{label}</span>
    <kbd>/</kbd>
    <input
      id={id}
      className="plain-field"
      value={line}
      onChange={(event) => type(event.currentTarget.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur()
      }}
      aria-invalid={problem !== undefined}
      aria-describedby={problem === undefined ? undefined : `${id}-problem`}
      autoComplete="off"
      autoCapitalize="off"
      spellCheck={false}
      maxLength={160}
    />
  </label>
)

/** In the place of the acts beside the field. */
export const ChordProblem = ({ id, typed: { problem } }: Pick<ChordFieldProps, 'id' | 'typed'>) =>
  problem === undefined ? null : (
    <p id={`${id}-problem`} role="alert" className={sentence['problem']}>
      {problem.message}
    </p>
  )
