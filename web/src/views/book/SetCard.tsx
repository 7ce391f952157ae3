import { ActionIcon, Button, Group, Tooltip } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import type { KeptSet } from '../../contracts/tray.ts'
import { IconTrash } from '../../shell/icons.ts'
import { $session } from '../../state/session.ts'
import classes from './BookView.module.css'

export interface SetCardProps {
  readonly set: KeptSet
  readonly remove: (set: KeptSet) => Promise<void>
  readonly toTray: (set: KeptSet) => void
}

/** A tray that was kept: its chords in order. */
export function SetCard({ set, remove, toTray }: SetCardProps) {
  const { settings } = useStore($session)
  const symbolOf = (text: string) => {
    const chord = readSymbol(text)
    return chord.ok ? writeSymbol(chord.value, { naming: settings.naming, school: settings.symbols }) : text
  }
  return (
    <article className={classes['card']} aria-label={set.name}>
      <div className={classes['words']}>
        <h2>{set.name}</h2>
        <ol className={classes['row']}>
          {set.shapes.map((shape) => (
            <li key={shape.id}>
              <strong>{symbolOf(shape.chord)}</strong> {shape.shape}
            </li>
          ))}
        </ol>
      </div>
      <Group gap={4} className={classes['acts']} wrap="nowrap">
        <Button size="compact-xs" variant="default" onClick={() => toTray(set)}>
          To the tray
        </Button>
        <Tooltip label="Delete">
          <ActionIcon variant="subtle" color="gray" aria-label={`Delete ${set.name}`} onClick={() => void remove(set)}>
            <IconTrash size={17} />
          </ActionIcon>
        </Tooltip>
      </Group>
    </article>
  )
}
