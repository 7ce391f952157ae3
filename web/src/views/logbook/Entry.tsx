/** One entry: when, how quick, how it went, who said so; put right or taken out. */
import { Menu, UnstyledButton } from '@mantine/core'
import { GRADES } from '@nestling/core/practice'
import { useState } from 'react'
import type { KeptAttempt } from '../../contracts/practice.ts'
import { shortDay } from '../../words/days.ts'
import { faultsWords, GRADE_WORDS } from '../../words/practice.ts'
import classes from './Beside.module.css'
import type { LogState } from './useLogbook.ts'

const TEMPO_STEPS = [-10, -4, 4, 10] as const

export function Entry({ entry, state }: { readonly entry: KeptAttempt; readonly state: LogState }) {
  const { day, tempo, grade, judge, faults, shown } = entry
  const who =
    faults !== ''
      ? faultsWords(faults)
      : shown
        ? 'shape shown'
        : judge === 'ear'
          ? 'by ear'
          : grade === 'played'
            ? ''
            : 'by you'
  return (
    <li>
      <span>{shortDay(day)}</span>
      <b>{tempo}</b>
      <span>{GRADE_WORDS[grade]}</span>
      <em title={who}>{who}</em>
      <Mend entry={entry} state={state} />
    </li>
  )
}

/** The choices are made when they are opened: a long history has many entries. */
function Mend({ entry, state }: { readonly entry: KeptAttempt; readonly state: LogState }) {
  const [opened, setOpened] = useState(false)
  const { day, grade, tempo } = entry
  const button = (
    <UnstyledButton
      className={classes['mend']}
      aria-label={`Correct the entry of ${shortDay(day)}`}
      aria-haspopup="menu"
      aria-expanded={opened}
      onClick={() => setOpened(true)}
    >
      correct
    </UnstyledButton>
  )
  if (!opened) return button
  return (
    <Menu opened onChange={setOpened} position="bottom-end">
      <Menu.Target>{button}</Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>It was</Menu.Label>
        {GRADES.map((one) => (
          <Menu.Item key={one} fw={one === grade ? 700 : 400} onClick={() => state.correct(entry, { grade: one })}>
            {GRADE_WORDS[one]}
          </Menu.Item>
        ))}
        <Menu.Label>At</Menu.Label>
        {TEMPO_STEPS.map((by) => (
          <Menu.Item key={by} onClick={() => state.correct(entry, { tempo: Math.max(1, tempo + by) })}>
            {Math.max(1, tempo + by)} beats per minute
          </Menu.Item>
        ))}
        <Menu.Divider />
        <Menu.Item color="red" onClick={() => state.takeOut(entry)}>
          remove it
        </Menu.Item>
      </Menu.Dropdown>
    </Menu>
  )
}
