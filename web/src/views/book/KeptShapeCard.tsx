import { ActionIcon, Group, TextInput, Tooltip } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { neckOf, readTuning, STANDARD_INSTRUMENT, tuningLetters } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import { readShape, voicingOf } from '@nestling/core/voicing'
import { useState } from 'react'
import type { KeptShape } from '../../contracts/keptShape.ts'
import { SmallNeck } from '../../neck/SmallNeck.tsx'
import { IconPencil, IconTrash } from '../../shell/icons.ts'
import { $session } from '../../state/session.ts'
import classes from './BookView.module.css'

export interface KeptShapeCardProps {
  readonly shape: KeptShape
  readonly rename: (shape: KeptShape, name: string) => Promise<boolean>
  readonly remove: (shape: KeptShape) => Promise<void>
}

export function KeptShapeCard({ shape, rename, remove }: KeptShapeCardProps) {
  const [editing, setEditing] = useState(false)
  const { settings } = useStore($session)
  const kept = readKept(shape)
  const symbol = kept ? writeSymbol(kept.chord, { naming: settings.naming, school: settings.symbols }) : shape.chord
  return (
    <article className={classes['card']} aria-label={shape.name}>
      {kept?.voicing && (
        <a href={openHref(shape)} className={classes['picture']} aria-label={`Open ${shape.name} in Build`}>
          <SmallNeck frets={kept.voicing.frets} degrees={kept.voicing.degrees} width={170} />
        </a>
      )}
      <div className={classes['words']}>
        {editing ? (
          <NameField
            name={shape.name}
            done={async (name) => {
              if (name === undefined || name === shape.name || (await rename(shape, name))) setEditing(false)
            }}
          />
        ) : (
          <h2>
            <a href={openHref(shape)}>{shape.name}</a>
          </h2>
        )}
        <p>
          <strong>{symbol}</strong> · {shape.shape}
        </p>
        <p>
          {kept?.voicing
            ? kept.voicing.arrangement.degrees.map(withSigns).join(' ')
            : 'this shape does not fit its chord'}{' '}
          ·{' '}
          <span className={classes['tuning']}>{kept ? tuningLetters(kept.tuning, settings.naming) : shape.tuning}</span>
        </p>
        {shape.note !== '' && <p className={classes['note']}>{shape.note}</p>}
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

function NameField({
  name,
  done,
}: {
  readonly name: string
  readonly done: (name: string | undefined) => Promise<void>
}) {
  const [text, setText] = useState(name)
  const problem =
    text.trim() === '' ? 'A name needs a character or more' : text.length > 60 ? 'At most 60 characters' : undefined
  return (
    <TextInput
      size="xs"
      aria-label="Name"
      autoFocus
      value={text}
      error={problem}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={() => void done(problem ? undefined : text.trim())}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && !problem) event.currentTarget.blur()
        if (event.key === 'Escape') void done(undefined)
      }}
    />
  )
}

function readKept(shape: KeptShape) {
  const chord = readSymbol(shape.chord)
  const tuning = readTuning(shape.tuning)
  if (!chord.ok || !tuning.ok) return undefined
  const frets = readShape(shape.shape, tuning.value.strings.length)
  const neck = neckOf({ ...STANDARD_INSTRUMENT, tuning: tuning.value, frets: 36, lastReachableFret: 36 })
  return {
    chord: chord.value,
    tuning: tuning.value,
    voicing: frets.ok ? voicingOf(chord.value, frets.value, neck) : undefined,
  }
}

/** Back in Build: the chord, the strings that sound, the shape, and the tuning that it was kept in. */
function openHref(shape: KeptShape): string {
  const kept = readKept(shape)
  const strings =
    kept?.voicing?.frets.flatMap((fret, index) => (fret === null ? [] : [(kept.voicing?.frets.length ?? 0) - index])) ??
    []
  const params = new URLSearchParams({
    chord: shape.chord,
    strings: strings.join(','),
    shape: shape.shape,
    tuning: shape.tuning,
  })
  if (kept?.voicing?.frets.includes(0)) params.set('open', 'allow')
  if (shape.fingers !== '') params.set('fingers', shape.fingers)
  return `/?${params.toString()}`
}
