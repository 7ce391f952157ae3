/** The field to type the sentence, its completions, and what is wrong with what was typed. */
import { Combobox, useCombobox } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { completeLine } from '@nestling/core/request'
import { memo, useMemo, useState } from 'react'
import sentence from '../../../controls/sentence.module.css'
import { $workbench, asked, typeLine } from '../../../state/workbench/index.ts'
import classes from './Sentence.module.css'

export const LINE_INPUT_ID = 'build-line-input'

const KINDS = {
  symbol: 'chord', formula: 'degrees or thirds', arrangement: 'arrangement', strings: 'string set', bass: 'outer tone', omit: 'left out',
  tuning: 'tuning', more: '',
} as const // biome-ignore format: a table

export const TypedLine = memo(function TypedLine() {
  const { line, problem } = useStore(asked.$typed)
  const [focused, setFocused] = useState(false)
  const combobox = useCombobox({ onDropdownClose: () => combobox.resetSelectedOption() })
  const completions = useMemo(() => {
    const state = focused ? $workbench.get() : undefined
    return state ? completeLine(line, state.player, state.question) : []
  }, [line, focused])
  return (
    <Combobox
      store={combobox}
      onOptionSubmit={(value) => {
        typeLine(value)
        combobox.closeDropdown()
      }}
      width={320}
      position="bottom-start"
      shadow="md"
    >
      <Combobox.Target>
        <label className={sentence['field']}>
          <span className="heard-only">Type a chord and how to build it</span>
          <kbd>/</kbd>
          <Combobox.EventsTarget>
            <input
              id={LINE_INPUT_ID}
              className={`plain-field ${classes['field']}`}
              value={line}
              onChange={(event) => {
                typeLine(event.currentTarget.value)
                combobox.openDropdown()
                combobox.resetSelectedOption()
              }}
              onFocus={() => setFocused(true)}
              onBlur={() => {
                setFocused(false)
                combobox.closeDropdown()
              }}
              onKeyDown={(event) => {
                if (event.key === 'Escape' && !combobox.dropdownOpened) event.currentTarget.blur()
                if (event.key === 'Enter' && combobox.getSelectedOptionIndex() < 0) event.currentTarget.blur()
              }}
              placeholder="type it: Ebmaj9 drop2 5432 3rd bass"
              autoComplete="off"
              autoCapitalize="off"
              spellCheck={false}
              maxLength={200}
              aria-invalid={problem !== undefined}
              aria-describedby={problem === undefined ? undefined : 'build-line-problem'}
            />
          </Combobox.EventsTarget>
        </label>
      </Combobox.Target>
      <Combobox.Dropdown hidden={completions.length === 0}>
        <Combobox.Options aria-label="Completions">
          {completions.map((completion) => (
            <Combobox.Option key={completion.line} value={completion.line} className={classes['completion']}>
              {completion.line}
              <span>{KINDS[completion.kind]}</span>
            </Combobox.Option>
          ))}
        </Combobox.Options>
      </Combobox.Dropdown>
    </Combobox>
  )
})

/** What is wrong, with the place marked in what was typed; until something is, the keys that help. */
export const LineProblem = memo(function LineProblem() {
  const { line, problem } = useStore(asked.$typed)
  if (problem === undefined) return <Keys />
  const shown = line.length > 60 ? `${line.slice(0, 60)}…` : line
  return (
    <p id="build-line-problem" role="alert" className={sentence['problem']}>
      {problem.at < shown.length && (
        <span aria-hidden="true" className={classes['place']}>
          {shown.slice(0, problem.at)}
          <mark>{shown.slice(problem.at)}</mark>
        </span>
      )}{' '}
      {problem.message}
    </p>
  )
})

const HINTS = [
  [['←', '→'], 'move a fret'],
  [['↑', '↓'], 'next inversion'],
  [['[', ']'], 'string set'],
  [['Space'], 'hear it'],
  [['T'], 'to the tray'],
  [['?'], 'all keys'],
] as const

const Keys = () => (
  <p className={sentence['keys']}>
    {HINTS.map(([keys, words]) => (
      <span key={words}>
        {keys.map((key) => (
          <kbd key={key}>{key}</kbd>
        ))}{' '}
        {words}
      </span>
    ))}
  </p>
)
