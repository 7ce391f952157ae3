import { ActionIcon, Button, Group, Tooltip } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import type { KeptSet } from '../../contracts/progression.ts'
import { IconTrash } from '../../controls/icons.ts'
import { toPractice } from '../../state/links.ts'
import { $player, $session } from '../../state/session.ts'
import { shownStep } from '../../state/tray.ts'
import classes from './BookView.module.css'

export interface SetCardProps {
  readonly set: KeptSet
  readonly remove: (set: KeptSet) => Promise<void>
  readonly toTray: (set: KeptSet) => void
}

/** A tray that was kept: its chords in order. */
export function SetCard({ set, remove, toTray }: SetCardProps) {
  const { settings } = useStore($session)
  const player = useStore($player)
  const shapes = set.steps.flatMap((step) => shownStep(step).shape ?? [])
  return (
    <article className={classes['card']} aria-label={set.title}>
      <div className={classes['words']}>
        <h2>{set.title}</h2>
        <ol className={classes['row']}>
          {set.steps.map((step) => {
            const { chord, texts } = shownStep(step)
            return (
              <li key={step.id}>
                <strong>
                  {chord ? writeSymbol(chord, { naming: settings.naming, school: settings.symbols }) : texts.chord}
                </strong>{' '}
                {texts.shape?.frets}
              </li>
            )
          })}
        </ol>
        <p className={classes['go']}>
          <a href={toPractice(shapes, player, set.title)} aria-label={`Practise ${set.title}`}>
            Practise
          </a>
        </p>
      </div>
      <Group gap={4} className={classes['acts']} wrap="nowrap">
        <Button size="compact-xs" variant="default" onClick={() => toTray(set)}>
          To the tray
        </Button>
        <Tooltip label="Delete">
          <ActionIcon variant="subtle" color="gray" aria-label={`Delete ${set.title}`} onClick={() => void remove(set)}>
            <IconTrash size={17} />
          </ActionIcon>
        </Tooltip>
      </Group>
    </article>
  )
}
