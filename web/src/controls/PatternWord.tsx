/** The right hand as a word of a sentence: plain patterns by name, and own ones written as a line of strokes. */
import { Popover, UnstyledButton } from '@mantine/core'
import { type PatternName, readPattern, STROKE_PATTERNS, writePattern } from '@nestling/core/time'
import { useId, useState } from 'react'
import { messageOf } from '../words/errors.ts'
import { PATTERN_WORDS, patternWords } from '../words/pattern.ts'
import classes from './PatternWord.module.css'
import sentence from './sentence.module.css'

export interface PatternWordProps {
  /** As `readPattern` reads it. */
  readonly pattern: string
  readonly take: (pattern: string) => void
}

const NAMES = Object.keys(STROKE_PATTERNS) as readonly PatternName[]

export function PatternWord({ pattern, take }: PatternWordProps) {
  const [opened, setOpened] = useState(false)
  const step = (by: number) => {
    const next = NAMES[NAMES.findIndex((name) => STROKE_PATTERNS[name] === pattern) + by]
    if (next) take(STROKE_PATTERNS[next])
  }
  return (
    <Popover
      opened={opened}
      onChange={setOpened}
      position="bottom-start"
      shadow="md"
      trapFocus
      returnFocus
      transitionProps={{ duration: 0 }}
    >
      <Popover.Target>
        <UnstyledButton
          className={sentence['word']}
          aria-label={`Right hand: ${patternWords(pattern)}`}
          aria-haspopup="dialog"
          onClick={() => setOpened(!opened)}
          onKeyDown={(event) => {
            if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return
            event.preventDefault()
            step(event.key === 'ArrowDown' ? 1 : -1)
          }}
        >
          {patternWords(pattern)}
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown aria-label="Right hand">
        {opened && (
          <Patterns
            pattern={pattern}
            take={(next) => {
              setOpened(false)
              take(next)
            }}
          />
        )}
      </Popover.Dropdown>
    </Popover>
  )
}

function Patterns({ pattern, take }: PatternWordProps) {
  const [text, setText] = useState(pattern)
  const field = useId()
  const read = readPattern(text)
  return (
    <div className={classes['patterns']}>
      <ul>
        {NAMES.map((name) => (
          <li key={name}>
            <button
              type="button"
              aria-pressed={STROKE_PATTERNS[name] === pattern}
              onClick={() => take(STROKE_PATTERNS[name])}
            >
              {PATTERN_WORDS[name]} <span>{STROKE_PATTERNS[name]}</span>
            </button>
          </li>
        ))}
      </ul>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          if (read.ok) take(writePattern(read.value))
        }}
      >
        <label htmlFor={field}>Your own</label>
        <input
          id={field}
          className="plain-field"
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
          aria-invalid={!read.ok}
          aria-describedby={`${field}-help`}
          autoComplete="off"
          spellCheck={false}
          maxLength={200}
        />
        <button type="submit" className={classes['use']} disabled={!read.ok}>
          Use it
        </button>
        <p id={`${field}-help`} role="status">
          {read.ok
            ? 'p i m a, (ima) together, * all, ↓ ↑ or d u across, b bass, c the others, . rest; 1/4, 1/8, 1/8t before the strokes they are for.'
            : messageOf(read.error)}
        </p>
      </form>
    </div>
  )
}
