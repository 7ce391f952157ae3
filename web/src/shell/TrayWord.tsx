/** The tray as a word, where a view has a strip of its own: pressed, it opens above it. */
import { Popover, UnstyledButton } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { $tray } from '../state/tray.ts'
import { Tray } from './Tray.tsx'
import classes from './TrayWord.module.css'

export function TrayWord() {
  const { steps } = useStore($tray)
  return (
    <Popover position="top-end" shadow="md" width="min(1200px, 96vw)">
      <Popover.Target>
        <UnstyledButton className={classes['word']} aria-label={`Tray: ${steps.length}`}>
          Tray <b>{steps.length}</b>
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown p={0}>
        <Tray />
      </Popover.Dropdown>
    </Popover>
  )
}
