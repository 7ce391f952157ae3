/**
 * The field in which a line is typed, the same in every view: what it may go on with stands in the place of the acts, what can't
 * be read stays in it and is told there.
 */
import { Combobox, useCombobox } from '@mantine/core'
import { useEffect, useMemo, useState } from 'react'
import type { Typed } from '../state/asked.ts'
import type { LineView } from '../state/elsewhere.ts'
import { lineSigns } from '../words/signs.ts'
import { Elsewhere } from './Elsewhere.tsx'
import classes from './LineField.module.css'
import { LineWrong } from './LineWrong.tsx'
import { $finished, leaveField, leavesOn } from './leaving.ts'
import { Rest } from './Rest.tsx'
import sentence from './sentence.module.css'

export interface LineFieldProps {
  readonly id: string
  readonly typed: Typed
  /** Every keystroke. */
  readonly type: (text: string) => void
  /** The line ends: what its beginning had done is taken back if it can't be read. */
  readonly finish: () => void
  /** Another line as a whole: a completion; it is typed and ended where this is left out. */
  readonly take?: ((line: string) => void) | undefined
  /** Whole lines that the text may become. */
  readonly goingOn: (text: string) => readonly string[]
  /** Tells how many shapes each of them would give, as they are counted; returns what ends the counting. */
  readonly count?: ((lines: readonly string[], tell: (counts: Counts) => void) => (() => void) | undefined) | undefined
  /** What is typed there, for the ear. */
  readonly label: string
  readonly placeholder?: string | undefined
  /** Enter where no completion is chosen. */
  readonly onEnter?: (() => void) | undefined
}

type Counts = ReadonlyMap<string, number>
const NONE: readonly string[] = []
const NO_COUNTS: Counts = new Map()

export function LineField({
  id,
  typed: { line, problem },
  type,
  finish,
  take,
  goingOn,
  count,
  label,
  placeholder,
  onEnter,
}: LineFieldProps) {
  const [focused, setFocused] = useState(false)
  /** Nothing is offered before a key was pressed: what stands in the field is what is shown. */
  const [isTyped, setTyped] = useState(false)
  const combobox = useCombobox()
  const lines = useMemo(() => (focused && isTyped ? goingOn(line) : NONE), [line, focused, isTyped, goingOn])
  const completing = lines.length > 0
  const [counts, setCounts] = useState(NO_COUNTS)
  useEffect(() => {
    setCounts(NO_COUNTS)
    return lines.length > 0 ? count?.(lines, setCounts) : undefined
  }, [lines, count])
  return (
    <Combobox
      store={combobox}
      onOptionSubmit={(value) => {
        if (take) take(value)
        else type(value)
        const field = document.getElementById(id)
        if (field) leaveField(field)
      }}
    >
      <label className={sentence['field']}>
        <span className="heard-only">{label}</span>
        <kbd>/</kbd>
        {/* The field alone: where the keyboard rests behind it, arrows turn the shape. */}
        <Combobox.EventsTarget>
          <input
            id={id}
            className="plain-field"
            value={line}
            onChange={(event) => {
              $finished.set(false)
              setTyped(true)
              type(event.currentTarget.value)
              combobox.resetSelectedOption()
            }}
            onFocus={() => setFocused(true)}
            onBlur={() => {
              setFocused(false)
              setTyped(false)
              combobox.resetSelectedOption()
              finish()
            }}
            onKeyDown={(event) => {
              const isChosen = combobox.getSelectedOptionIndex() >= 0
              if (event.key === 'Enter' && !isChosen) onEnter?.()
              if (event.key !== 'Enter' || !isChosen) leavesOn(event)
            }}
            placeholder={placeholder}
            autoComplete="off"
            autoCapitalize="off"
            spellCheck={false}
            maxLength={200}
            aria-invalid={problem !== undefined}
            aria-describedby={problem === undefined ? undefined : `${id}-problem`}
          />
        </Combobox.EventsTarget>
        <Rest />
      </label>
      {completing && (
        <Combobox.Options aria-label="Completions" className={classes['completions']}>
          {lines.map((completion) => (
            <Combobox.Option key={completion} value={completion} className={classes['completion']}>
              {lineSigns(completion)}
              {counts.get(completion) !== undefined && (
                <span className={classes['count']}>{counts.get(completion)}</span>
              )}
            </Combobox.Option>
          ))}
        </Combobox.Options>
      )}
    </Combobox>
  )
}

/** In the place of the acts beside the field. */
export const LineProblem = ({
  id,
  typed: { line, problem },
  here,
  type,
}: {
  readonly id: string
  readonly typed: Typed
  readonly here: LineView
  /** Types the line in another way. */
  readonly type?: (line: string) => void
}) => {
  if (problem === undefined) return null
  const shown = line.length > 60 ? `${line.slice(0, 60)}…` : line
  return (
    <LineWrong id={`${id}-problem`}>
      {problem.at < shown.length && (
        <span aria-hidden="true" className={classes['place']}>
          {shown.slice(0, problem.at)}
          <mark>{shown.slice(problem.at)}</mark>
        </span>
      )}{' '}
      {problem.message}
      <Elsewhere typed={{ line, problem }} here={here} {...(type ? { take: type } : {})} />
    </LineWrong>
  )
}
