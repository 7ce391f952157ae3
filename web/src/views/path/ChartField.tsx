/** The chart as text: a line until it is typed in, then as tall as the tune. What is wrong is told with its place. */
import { useEffect, useRef } from 'react'
import { Elsewhere } from '../../controls/Elsewhere.tsx'
import { LineWrong } from '../../controls/LineWrong.tsx'
import { $finished, leaveField } from '../../controls/leaving.ts'
import { Rest } from '../../controls/Rest.tsx'
import { messageOf } from '../../words/errors.ts'
import classes from './ChartField.module.css'
import { CHART_ID, type PathState } from './usePath.ts'

export function ChartField({ state }: { readonly state: PathState }) {
  const { typed, type, finish, problems } = state
  const box = useRef<HTMLTextAreaElement>(null)
  const lines = typed.line.split('\n').length
  // The bars stand in the line, not the tune's name.
  useEffect(() => {
    if (box.current && document.activeElement !== box.current) box.current.scrollTop = lineTop(typed.line)
  }, [typed.line])
  return (
    <label className={classes['field']}>
      <span className="heard-only">The tune in bars</span>
      <kbd>/</kbd>
      <textarea
        ref={box}
        id={CHART_ID}
        className="plain-field"
        value={typed.line}
        style={{ '--lines': Math.min(14, lines + 1) } as React.CSSProperties}
        onChange={(event) => type(event.currentTarget.value)}
        onBlur={(event) => {
          finish()
          event.currentTarget.scrollTop = lineTop(event.currentTarget.value)
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape' || (event.key === 'Enter' && (event.ctrlKey || event.metaKey))) {
            $finished.set(event.key === 'Enter')
            leaveField(event.currentTarget)
          }
        }}
        aria-invalid={problems.length > 0}
        aria-describedby={problems.length > 0 ? `${CHART_ID}-problem` : undefined}
        autoComplete="off"
        autoCapitalize="off"
        spellCheck={false}
        rows={1}
        maxLength={20_000}
      />
      <Rest />
    </label>
  )
}

const LINE_PX = 20
const lineTop = (text: string): number =>
  LINE_PX *
  Math.max(
    0,
    text.split('\n').findIndex((line) => line.includes('|')),
  )

/** In the place of the acts beside the field: the first slip, and how many more. */
export function ChartProblem({ state: { problems, typed } }: { readonly state: PathState }) {
  const [first] = problems
  if (!first) return null
  const line = typed.line.slice(0, first.at).split('\n').length
  return (
    <LineWrong id={`${CHART_ID}-problem`}>
      {typed.line.includes('\n') && `Line ${line}: `}
      {messageOf(first)}
      {problems.length > 1 && ` And ${problems.length - 1} more.`}
      <Elsewhere typed={{ line: typed.line, problem: { message: '', at: first.at } }} here="Path" />
    </LineWrong>
  )
}
