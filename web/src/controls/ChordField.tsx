/** The field in which another chord is typed, the same line as Build's: what can't be read stays in it and is told beside it. */
import type { Typed } from '../state/asked.ts'
import type { LineView } from '../state/elsewhere.ts'
import { Elsewhere } from './Elsewhere.tsx'
import { LineWrong } from './LineWrong.tsx'
import { $finished, leavesOn } from './leaving.ts'
import { Rest } from './Rest.tsx'
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
      onChange={(event) => {
        $finished.set(false)
        type(event.currentTarget.value)
      }}
      onBlur={finish}
      onKeyDown={leavesOn}
      aria-invalid={problem !== undefined}
      aria-describedby={problem === undefined ? undefined : `${id}-problem`}
      autoComplete="off"
      autoCapitalize="off"
      spellCheck={false}
      maxLength={160}
    />
    <Rest />
  </label>
)

/** In the place of the acts beside the field. */
export const ChordProblem = ({
  id,
  typed,
  here,
  type,
}: Pick<ChordFieldProps, 'id' | 'typed'> & { readonly here: LineView; readonly type?: (line: string) => void }) =>
  typed.problem === undefined ? null : (
    <LineWrong id={`${id}-problem`}>
      {typed.problem.message}
      <Elsewhere typed={typed} here={here} {...(type ? { take: type } : {})} />
    </LineWrong>
  )
