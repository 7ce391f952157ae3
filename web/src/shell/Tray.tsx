/** The strip at the foot of every view: shapes collected on the way, in the order in which they are played. */
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import {
  horizontalListSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { ActionIcon, Button, TextInput, Tooltip } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { neckOf, readTuning, writeTuning } from '@nestling/core/neck'
import { midisOf, readShape } from '@nestling/core/voicing'
import { useState } from 'react'
import type { TrayShape } from '../contracts/tray.ts'
import { $playing, stop } from '../sound/transport.ts'
import { hearChords } from '../state/hearing.ts'
import { tell } from '../state/notices.ts'
import { $session, $setting } from '../state/session.ts'
import { $tray, $trayKept, keepTray, moveInTray, nameTray, removeFromTray, replaceTray } from '../state/tray.ts'
import { IconBookmark, IconPlayerPlay, IconPlayerStop, IconTrash, IconX } from './icons.ts'
import classes from './Tray.module.css'
import { UndoNotice } from './UndoNotice.tsx'

/** Seconds from one shape of the row to the next. */
const APART_S = 1.4
const OWNER = 'tray'

export function Tray() {
  const { shapes, name } = useStore($tray)
  const kept = useStore($trayKept)
  const { owner, mark } = useStore($playing)
  const playing = owner === OWNER ? (mark ?? -1) : undefined
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const from = shapes.findIndex(({ id }) => id === active.id)
    const to = shapes.findIndex(({ id }) => id === over?.id)
    if (from >= 0 && to >= 0 && from !== to) void moveInTray(from, to)
  }
  return (
    <section className={classes['tray']} aria-label="Tray">
      <TrayName name={name} />
      {shapes.length === 0 ? (
        <p className={classes['empty']}>
          empty: <kbd>T</kbd> puts the shape in hand here, to play in a row or to keep
        </p>
      ) : (
        <DndContext id="tray" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
          <SortableContext items={shapes.map(({ id }) => id)} strategy={horizontalListSortingStrategy}>
            <ul className={classes['shapes']} aria-label="Shapes in the tray">
              {shapes.map((shape, index) => (
                <TrayItem key={shape.id} shape={shape} sounding={playing === index} />
              ))}
            </ul>
          </SortableContext>
        </DndContext>
      )}
      {shapes.length > 0 && (
        <div className={classes['acts']}>
          <span role="status" className={classes['kept']}>
            {kept}
          </span>
          <PlayRow shapes={shapes} playing={playing !== undefined} />
          <Button
            size="compact-sm"
            variant="default"
            leftSection={<IconBookmark size={15} aria-hidden />}
            onClick={() => void keep(name)}
          >
            Keep in Book
          </Button>
          <Tooltip label="Empty the tray">
            <ActionIcon variant="subtle" color="gray" aria-label="Empty the tray" onClick={() => empty(shapes, name)}>
              <IconTrash size={17} />
            </ActionIcon>
          </Tooltip>
        </div>
      )}
    </section>
  )
}

async function keep(name: string) {
  const answer = await keepTray(name.trim() || 'Tray')
  if (answer.ok) tell.done(`Kept in the Book: ${answer.value.name}, ${answer.value.shapes.length} shapes`)
  else tell.problem('Not kept', answer.message)
}

function undoable(words: string, shapes: readonly TrayShape[], name: string) {
  const id = `tray-${shapes.length}-${words}`
  const undo = () => {
    tell.hide(id)
    void replaceTray(shapes, name)
  }
  tell.done(<UndoNotice words={words} undo={undo} />, id)
}

function empty(shapes: readonly TrayShape[], name: string) {
  void replaceTray([], '')
  undoable(`Emptied: ${shapes.length} shapes`, shapes, name)
}

function remove(shape: TrayShape) {
  const { shapes, name } = $tray.get()
  void removeFromTray(shape.id)
  undoable(`Taken out: ${shape.chord}`, shapes, name)
}

function TrayName({ name }: { readonly name: string }) {
  const [text, setText] = useState<string | undefined>(undefined)
  if (text === undefined)
    return (
      <button
        type="button"
        className={classes['name']}
        onClick={() => setText(name)}
        aria-label={`Tray${name ? `: ${name}` : ''}. Name it`}
      >
        {name || 'Tray'}
      </button>
    )
  const done = () => {
    if (text.trim() !== name) void nameTray(text.trim().slice(0, 60))
    setText(undefined)
  }
  return (
    <TextInput
      size="xs"
      w={170}
      aria-label="Name of the tray"
      placeholder="a name, such as Low Tide Waltz"
      value={text}
      maxLength={60}
      autoFocus
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={done}
      onKeyDown={(event) => {
        if (event.key === 'Enter') done()
        if (event.key === 'Escape') setText(undefined)
      }}
    />
  )
}

/** Opens the shape in Build, in the tuning that it was made in. */
const hrefOf = ({ chord, shape, tuning }: TrayShape): string =>
  `/?${new URLSearchParams({ chord, shape, tuning }).toString()}`

function TrayItem({ shape, sounding }: { readonly shape: TrayShape; readonly sounding: boolean }) {
  const { settings } = useStore($session)
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: shape.id })
  const chord = readSymbol(shape.chord)
  const symbol = chord.ok
    ? writeSymbol(chord.value, { naming: settings.naming, school: settings.symbols })
    : shape.chord
  const style = { transform: CSS.Translate.toString(transform), transition }
  return (
    <li ref={setNodeRef} style={style} className={classes['item']} data-sounding={sounding || undefined}>
      <button
        type="button"
        className={classes['handle']}
        {...attributes}
        {...listeners}
        aria-label={`Move ${symbol}`}
        aria-roledescription="sortable"
      >
        ⠿
      </button>
      <a href={hrefOf(shape)} aria-label={`Open ${symbol} ${shape.shape}`}>
        {symbol} <small>{shape.shape}</small>
      </a>
      <ActionIcon
        size="xs"
        variant="transparent"
        color="gray"
        aria-label={`Take out ${symbol}`}
        onClick={() => remove(shape)}
      >
        <IconX size={13} />
      </ActionIcon>
    </li>
  )
}

function PlayRow({ shapes, playing }: { readonly shapes: readonly TrayShape[]; readonly playing: boolean }) {
  const start = () =>
    hearChords(
      shapes.map((shape) => ({ midis: soundOf(shape) })),
      'strum',
      OWNER,
      APART_S,
    )
  return playing ? (
    <Button size="compact-sm" variant="default" leftSection={<IconPlayerStop size={15} aria-hidden />} onClick={stop}>
      Stop
    </Button>
  ) : (
    <Button size="compact-sm" variant="default" leftSection={<IconPlayerPlay size={15} aria-hidden />} onClick={start}>
      Play in a row
    </Button>
  )
}

function soundOf({ shape, tuning }: TrayShape): readonly number[] {
  const strings = readTuning(tuning)
  const frets = readShape(shape)
  if (!strings.ok || !frets.ok) return []
  const { instrument } = $setting.get()
  // A shape in the current tuning is under the current capo.
  const capo = writeTuning(instrument.tuning) === tuning ? instrument.capo : undefined
  return midisOf(frets.value, neckOf({ ...instrument, tuning: strings.value, capo, frets: 36, lastReachableFret: 36 }))
}
