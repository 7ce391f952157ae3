/** The field to type anything in, what it may go on with, and what is wrong with what was typed. */
import { Combobox, useCombobox } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { type Completion, completeLine } from '@nestling/core/request'
import { atom } from 'nanostores'
import { memo, useEffect, useMemo, useState } from 'react'
import { Elsewhere } from '../../../controls/Elsewhere.tsx'
import { LineWrong } from '../../../controls/LineWrong.tsx'
import { $finished, leaveField, leavesOn } from '../../../controls/leaving.ts'
import { Rest } from '../../../controls/Rest.tsx'
import sentence from '../../../controls/sentence.module.css'
import {
  $workbench,
  $writtenShapes,
  asked,
  countLines,
  finishLine,
  takeLine,
  typeLine,
} from '../../../state/workbench/index.ts'
import { lineSigns } from '../../../words/signs.ts'
import { writtenToTray } from '../keeping.ts'
import classes from './Sentence.module.css'

export const LINE_INPUT_ID = 'build-line-input'

/** Completions stand where the acts stand, and cover nothing. */
export const $completing = atom(false)

export const TypedLine = memo(function TypedLine() {
  const { line, problem } = useStore(asked.$typed)
  const [focused, setFocused] = useState(false)
  const combobox = useCombobox()
  const completions = useMemo(() => {
    const state = focused ? $workbench.get() : undefined
    return state ? completeLine(line, state.player, state.question) : []
  }, [line, focused])
  const completing = focused && completions.length > 0
  const counts = useCounts(completing ? completions : NO_COMPLETIONS)
  useEffect(() => $completing.set(completing), [completing])
  return (
    <Combobox
      store={combobox}
      onOptionSubmit={(value) => {
        takeLine(value)
        const field = document.getElementById(LINE_INPUT_ID)
        if (field) leaveField(field)
      }}
    >
      <label className={sentence['field']}>
        <span className="heard-only">Type a chord and how to build it</span>
        <kbd>/</kbd>
        {/* The field alone: where the keyboard rests behind it, arrows turn the shape. */}
        <Combobox.EventsTarget>
          <input
            id={LINE_INPUT_ID}
            className={`plain-field ${classes['field']}`}
            value={line}
            onChange={(event) => {
              $finished.set(false)
              typeLine(event.currentTarget.value)
              combobox.resetSelectedOption()
            }}
            onFocus={() => setFocused(true)}
            onBlur={() => {
              setFocused(false)
              combobox.resetSelectedOption()
              finishLine()
            }}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && $writtenShapes.get().length > 0) void writtenToTray()
              if (event.key !== 'Enter' || combobox.getSelectedOptionIndex() < 0) leavesOn(event)
            }}
            placeholder="Ebmaj9 drop2 5432, x3545x, …"
            autoComplete="off"
            autoCapitalize="off"
            spellCheck={false}
            maxLength={200}
            aria-invalid={problem !== undefined}
            aria-describedby={problem === undefined ? undefined : 'build-line-problem'}
          />
        </Combobox.EventsTarget>
        <Rest />
      </label>
      {completing && (
        <Combobox.Options aria-label="Completions" className={classes['completions']}>
          {completions.map((completion) => (
            <Combobox.Option key={completion.line} value={completion.line} className={classes['completion']}>
              {lineSigns(completion.line)}
              {counts.get(completion.line) !== undefined && (
                <span className={classes['count']}>{counts.get(completion.line)}</span>
              )}
            </Combobox.Option>
          ))}
        </Combobox.Options>
      )}
    </Combobox>
  )
})

const NO_COMPLETIONS: readonly Completion[] = []
const NO_COUNTS: ReadonlyMap<string, number> = new Map()

/** How many playable shapes each of them would give. */
function useCounts(completions: readonly Completion[]): ReadonlyMap<string, number> {
  const [counts, setCounts] = useState(NO_COUNTS)
  useEffect(() => {
    setCounts(NO_COUNTS)
    const state = $workbench.get()
    if (!state || completions.length === 0) return undefined
    return countLines(
      completions.map(({ line }) => line),
      state,
      setCounts,
    )
  }, [completions])
  return counts
}

/** What is wrong, with the place marked in what was typed. */
export const LineProblem = memo(function LineProblem() {
  const { line, problem } = useStore(asked.$typed)
  if (problem === undefined) return null
  const shown = line.length > 60 ? `${line.slice(0, 60)}…` : line
  return (
    <LineWrong id="build-line-problem">
      {problem.at < shown.length && (
        <span aria-hidden="true" className={classes['place']}>
          {shown.slice(0, problem.at)}
          <mark>{shown.slice(problem.at)}</mark>
        </span>
      )}{' '}
      {problem.message}
      <Elsewhere typed={{ line, problem }} here="Build" take={typeLine} />
    </LineWrong>
  )
})
