import { Menu, ScrollArea, UnstyledButton } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { type ChoiceField, choicesOf } from '@nestling/core/build'
import type { NamingSystem } from '@nestling/core/pitch'
import { memo, useEffect, useState } from 'react'
import sentence from '../../../shell/sentence.module.css'
import { $build, $counts, type BuildState, countWord, takeBuild } from '../../../state/build/index.ts'
import classes from './BuildLine.module.css'
import { choiceWords, wordOf } from './choiceWords.ts'

export interface WordProps {
  readonly field: ChoiceField
  readonly label: string
  readonly build: BuildState['build']
  readonly setting: BuildState['setting']
  readonly naming: NamingSystem
}

/**
 * A word of the sentence that opens its choices, each with the number of playable shapes that it would give. The list is
 * made when it is opened, so that the sentence costs little while typing.
 */
export const Word = memo(function Word({ field, label, build, setting, naming }: WordProps) {
  const [opened, setOpened] = useState(false)
  const now = wordOf(field, build, setting, naming)
  const id = `word-${field}`
  const button = (
    <UnstyledButton
      id={id}
      className={sentence['word']}
      aria-label={`${label}: ${now}`}
      aria-haspopup="menu"
      aria-expanded={opened}
      onClick={() => setOpened(true)}
    >
      {now}
    </UnstyledButton>
  )
  if (!opened) return button
  const close = () => {
    setOpened(false)
    requestAnimationFrame(() => document.getElementById(id)?.focus())
  }
  return (
    <Menu opened onChange={close} position="bottom-start" shadow="md" transitionProps={{ duration: 0 }}>
      <Menu.Target>{button}</Menu.Target>
      <Menu.Dropdown>
        <Choices field={field} label={label} build={build} setting={setting} naming={naming} />
      </Menu.Dropdown>
    </Menu>
  )
})

function Choices({ field, label, build, setting, naming }: WordProps) {
  const counts = useStore($counts)[field]
  const now = choiceWords(field, build, setting, naming)
  useEffect(() => {
    const state = $build.get()
    if (state) countWord(field, state)
  }, [field])
  return (
    <>
      <Menu.Label className={classes['choicesHead']}>
        {label} <span>playable shapes</span>
      </Menu.Label>
      <ScrollArea.Autosize mah={330} type="auto">
        {choicesOf(field, build, setting).map((choice, index) => {
          const words = choiceWords(field, choice, setting, naming)
          const count = counts?.[index]
          return (
            <Menu.Item
              key={words}
              onClick={() => takeBuild(choice)}
              fw={words === now ? 700 : 400}
              data-empty={count === 0 || undefined}
              className={classes['choice']}
              rightSection={
                <span className={classes['count']} data-testid="choice-count">
                  {count ?? '…'}
                </span>
              }
            >
              {words}
            </Menu.Item>
          )
        })}
      </ScrollArea.Autosize>
    </>
  )
}
