import { ActionIcon, Group, Tooltip } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { tuningLetters } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import { useState } from 'react'
import type { KeptShape } from '../../contracts/shape.ts'
import { IconPencil, IconTrash } from '../../controls/icons.ts'
import { NameField } from '../../controls/NameField.tsx'
import { SmallNeck } from '../../neck/SmallNeck.tsx'
import { shownShape } from '../../state/book.ts'
import { toBuild, toPractice } from '../../state/links.ts'
import { $player, $session } from '../../state/session.ts'
import classes from './BookView.module.css'

export interface KeptShapeCardProps {
  readonly shape: KeptShape
  readonly rename: (shape: KeptShape, name: string) => Promise<boolean>
  readonly remove: (shape: KeptShape) => Promise<void>
}

export function KeptShapeCard({ shape, rename, remove }: KeptShapeCardProps) {
  const [editing, setEditing] = useState(false)
  const { settings } = useStore($session)
  const player = useStore($player)
  const kept = shownShape(shape)
  const href = kept ? toBuild(kept.shape, player) : undefined
  const symbol = kept
    ? writeSymbol(kept.shape.chord, { naming: settings.naming, school: settings.symbols })
    : shape.chord
  return (
    <article className={classes['card']} aria-label={shape.name}>
      {kept?.voicing && (
        <a href={href} className={classes['picture']} aria-label={`Open ${shape.name} in Build`}>
          <SmallNeck frets={kept.voicing.frets} degrees={kept.voicing.degrees} width={170} />
        </a>
      )}
      <div className={classes['words']}>
        {editing ? (
          <NameField
            label="Name"
            name={shape.name}
            done={async (name) => {
              if (name === undefined || (await rename(shape, name))) setEditing(false)
            }}
          />
        ) : (
          <h2>
            <a href={href}>{shape.name}</a>
          </h2>
        )}
        <p>
          <strong>{symbol}</strong> · {shape.frets}
        </p>
        <p>
          {kept?.voicing
            ? kept.voicing.arrangement.degrees.map(withSigns).join(' ')
            : 'this shape does not fit its chord'}{' '}
          ·{' '}
          <span className={classes['tuning']}>
            {kept ? tuningLetters(kept.shape.tuning, settings.naming) : shape.tuning}
          </span>
        </p>
        {shape.note !== '' && <p className={classes['note']}>{shape.note}</p>}
        {kept && (
          <p className={classes['go']}>
            <a href={toPractice([kept.shape], player, shape.name)} aria-label={`Practise ${shape.name}`}>
              Practise
            </a>
          </p>
        )}
      </div>
      <Group gap={2} className={classes['acts']}>
        <Tooltip label="Rename">
          <ActionIcon
            variant="subtle"
            color="gray"
            aria-label={`Rename ${shape.name}`}
            onClick={() => setEditing(true)}
          >
            <IconPencil size={17} />
          </ActionIcon>
        </Tooltip>
        <Tooltip label="Delete">
          <ActionIcon
            variant="subtle"
            color="gray"
            aria-label={`Delete ${shape.name}`}
            onClick={() => void remove(shape)}
          >
            <IconTrash size={17} />
          </ActionIcon>
        </Tooltip>
      </Group>
    </article>
  )
}
