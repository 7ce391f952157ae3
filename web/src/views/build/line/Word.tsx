import { Menu, ScrollArea, UnstyledButton } from '@mantine/core'
import classes from './BuildLine.module.css'

export interface WordChoice {
  readonly key: string
  readonly words: string
  readonly take: () => void
}

/** A word of the sentence that opens its choices. */
export function Word({
  label,
  now,
  choices,
}: {
  readonly label: string
  readonly now: string
  readonly choices: readonly WordChoice[]
}) {
  return (
    <Menu position="bottom-start" shadow="md" transitionProps={{ duration: 90 }}>
      <Menu.Target>
        <UnstyledButton className={classes['word']} aria-label={`${label}: ${now}`}>
          {now}
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>{label}</Menu.Label>
        <ScrollArea.Autosize mah={330} type="auto">
          {choices.map((choice) => (
            <Menu.Item key={choice.key} onClick={choice.take} fw={choice.words === now ? 700 : 400}>
              {choice.words}
            </Menu.Item>
          ))}
        </ScrollArea.Autosize>
      </Menu.Dropdown>
    </Menu>
  )
}
