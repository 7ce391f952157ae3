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
import { ActionIcon, Button, Tooltip } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { neckFor } from '@nestling/core/shape'
import { soundedNotes } from '@nestling/core/time'
import { useState } from 'react'
import type { StepTexts, Tray as TrayTexts } from '../contracts/progression.ts'
import { IconBookmark, IconPlayerPlay, IconPlayerStop, IconTrash, IconX } from '../controls/icons.ts'
import { NameField } from '../controls/NameField.tsx'
import { UndoNotice } from '../controls/UndoNotice.tsx'
import { $playing, stop } from '../sound/transport.ts'
import { tell } from '../state/notices.ts'
import { hearChords } from '../state/playback.ts'
import { $player, $session } from '../state/session.ts'
import {
  $tray,
  $trayKept,
  emptyTray,
  keepTray,
  moveInTray,
  nameTray,
  removeFromTray,
  replaceTray,
  shownStep,
} from '../state/tray.ts'
import { addressOfShape } from '../state/workbench/address.ts'
import classes from './Tray.module.css'

/** Seconds from one shape of the row to the next. */
const APART_S = 1.4
const OWNER = 'tray'

export function Tray() {
  const tray = useStore($tray)
  const { steps, title } = tray
  const kept = useStore($trayKept)
  const { owner, mark } = useStore($playing)
  const playing = owner === OWNER ? (mark ?? -1) : undefined
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const from = steps.findIndex(({ id }) => id === active.id)
    const to = steps.findIndex(({ id }) => id === over?.id)
    if (from >= 0 && to >= 0 && from !== to) void moveInTray(from, to)
  }
  return (
    <section className={classes['tray']} aria-label="Tray">
      <TrayName name={title} />
      {steps.length === 0 ? (
        <p className={classes['empty']}>
          empty: <kbd>T</kbd> puts the shape in hand here, to play in a row or to keep
        </p>
      ) : (
        <DndContext id="tray" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
          <SortableContext items={steps.map(({ id }) => id)} strategy={horizontalListSortingStrategy}>
            <ul className={classes['shapes']} aria-label="Shapes in the tray">
              {steps.map((step, index) => (
                <TrayItem key={step.id} step={step} sounding={playing === index} />
              ))}
            </ul>
          </SortableContext>
        </DndContext>
      )}
      {steps.length > 0 && (
        <div className={classes['acts']}>
          <span role="status" className={classes['kept']}>
            {kept}
          </span>
          <PlayRow steps={steps} playing={playing !== undefined} />
          <Button
            size="compact-sm"
            variant="default"
            leftSection={<IconBookmark size={15} aria-hidden />}
            onClick={() => void keep(title)}
          >
            Keep in Book
          </Button>
          <Tooltip label="Empty the tray">
            <ActionIcon variant="subtle" color="gray" aria-label="Empty the tray" onClick={() => empty(tray)}>
              <IconTrash size={17} />
            </ActionIcon>
          </Tooltip>
        </div>
      )}
    </section>
  )
}

async function keep(title: string) {
  const reply = await keepTray(title.trim() || 'Tray')
  if (reply.ok) tell.done(`Kept in the Book: ${reply.value.title}, ${reply.value.steps.length} shapes`)
  else tell.problem('Not kept', reply.message)
}

function undoable(words: string, before: TrayTexts) {
  const id = `tray-${before.steps.length}-${words}`
  const undo = () => {
    tell.hide(id)
    void replaceTray(before)
  }
  tell.done(<UndoNotice words={words} undo={undo} />, id)
}

function empty(tray: TrayTexts) {
  void emptyTray()
  undoable(`Emptied: ${tray.steps.length} shapes`, tray)
}

function remove({ id, chord }: StepTexts) {
  const before = $tray.get()
  void removeFromTray(id)
  undoable(`Taken out: ${chord}`, before)
}

function TrayName({ name }: { readonly name: string }) {
  const [editing, setEditing] = useState(false)
  if (editing)
    return (
      <NameField
        label="Name of the tray"
        name={name}
        mayBeEmpty
        placeholder="a name, such as Low Tide Waltz"
        width={170}
        done={(next) => {
          if (next !== undefined) void nameTray(next)
          setEditing(false)
        }}
      />
    )
  return (
    <button
      type="button"
      className={classes['name']}
      onClick={() => setEditing(true)}
      aria-label={`Tray${name ? `: ${name}` : ''}. Name it`}
    >
      {name || 'Tray'}
    </button>
  )
}

function TrayItem({ step, sounding }: { readonly step: StepTexts; readonly sounding: boolean }) {
  const { settings } = useStore($session)
  const player = useStore($player)
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: step.id })
  const { chord, shape, texts } = shownStep(step)
  const symbol = chord ? writeSymbol(chord, { naming: settings.naming, school: settings.symbols }) : texts.chord
  const frets = texts.shape?.frets ?? ''
  const style = { transform: CSS.Translate.toString(transform), transition }
  const words = (
    <>
      {symbol} <small>{frets}</small>
    </>
  )
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
      {shape ? (
        <a href={addressOfShape(shape, player)} aria-label={`Open ${symbol} ${frets}`}>
          {words}
        </a>
      ) : (
        <span title="This shape can't be read">{words}</span>
      )}
      <ActionIcon
        size="xs"
        variant="transparent"
        color="gray"
        aria-label={`Take out ${symbol}`}
        onClick={() => remove(step)}
      >
        <IconX size={13} />
      </ActionIcon>
    </li>
  )
}

function PlayRow({ steps, playing }: { readonly steps: readonly StepTexts[]; readonly playing: boolean }) {
  const start = () => hearChords(steps.map(soundOf), 'strum', OWNER, APART_S)
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

function soundOf(step: StepTexts) {
  const { shape } = shownStep(step)
  return { notes: shape ? soundedNotes(shape.frets, neckFor(shape, $player.get().instrument), shape.chord) : [] }
}
