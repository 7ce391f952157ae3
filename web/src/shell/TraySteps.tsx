/** The shapes of the tray, to be put in order by hand: dragged, with the arrows, or by the menu of their handle. */
import { closestCenter, DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { horizontalListSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { ActionIcon, Menu } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { neckFor } from '@nestling/core/shape'
import { voicingOf } from '@nestling/core/voicing'
import { useState } from 'react'
import type { StepTexts } from '../contracts/progression.ts'
import { IconX } from '../controls/icons.ts'
import { SmallNeck } from '../neck/SmallNeck.tsx'
import { $player, $style } from '../state/session.ts'
import { moveInTray, shownStep, stepSymbol } from '../state/tray.ts'
import { addressOfShape } from '../state/workbench/address.ts'
import classes from './Tray.module.css'

/** The frets that all shapes of the tray lie in; beyond a dozen each has a window of its own. */
export interface FretWindow {
  readonly from?: number
  readonly to?: number
}

export interface TrayStepsProps {
  readonly steps: readonly StepTexts[]
  /** Which of them sounds. */
  readonly playing: number | undefined
  readonly window: FretWindow
  readonly remove: (step: StepTexts) => void
}

export default function TraySteps({ steps, playing, window, remove }: TrayStepsProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const [said, setSaid] = useState('')
  const move = (from: number, to: number) => {
    const step = steps[from]
    if (!step || to < 0 || to >= steps.length || from === to) return
    void moveInTray(from, to)
    setSaid(`${stepSymbol(step)} is now ${to + 1} of ${steps.length}`)
    // Moved in the page, it loses the focus.
    requestAnimationFrame(() => document.getElementById(handleId(step.id))?.focus())
  }
  const placeOf = (id: unknown) => steps.findIndex((step) => step.id === id)
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    move(placeOf(active.id), placeOf(over?.id))
  }
  return (
    // What it would say aloud itself are numbers of rows: places are said here.
    <DndContext
      id="tray"
      accessibility={QUIET}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
    >
      <SortableContext items={steps.map(({ id }) => id)} strategy={horizontalListSortingStrategy}>
        <ul className={classes['shapes']} aria-label="Shapes in the tray">
          {steps.map((step, index) => (
            <TrayItem
              key={step.id}
              step={step}
              place={index}
              count={steps.length}
              sounding={playing === index}
              window={window}
              move={move}
              remove={remove}
            />
          ))}
        </ul>
        <p className="heard-only" role="status">
          {said}
        </p>
      </SortableContext>
    </DndContext>
  )
}

const QUIET = {
  announcements: { onDragStart: none, onDragOver: none, onDragEnd: none, onDragCancel: none },
  screenReaderInstructions: { draggable: '' },
}
function none(): undefined {
  return undefined
}

const handleId = (id: string): string => `tray-handle-${id}`

function TrayItem({
  step,
  place,
  count,
  sounding,
  window,
  move,
  remove,
}: {
  readonly step: StepTexts
  readonly place: number
  readonly count: number
  readonly sounding: boolean
  readonly move: (from: number, to: number) => void
  readonly window: FretWindow
  readonly remove: (step: StepTexts) => void
}) {
  const player = useStore($player)
  const { listeners, setNodeRef, transform, transition } = useSortable({ id: step.id })
  const { shape, texts } = shownStep(step)
  useStore($style)
  const symbol = stepSymbol(step)
  const frets = texts.shape?.frets ?? ''
  const style = { transform: CSS.Translate.toString(transform), transition }
  const voicing = shape && voicingOf(shape.chord, shape.frets, neckFor(shape, player.instrument))
  const words = (
    <>
      {symbol}{' '}
      {shape ? (
        <>
          <span className="heard-only">{frets}</span>
          <SmallNeck
            frets={shape.frets}
            degrees={voicing?.degrees ?? shape.frets.map((fret) => (fret === null ? null : 'R'))}
            width={66}
            row={5.4}
            numbered={false}
            {...window}
          />
        </>
      ) : (
        <small>{frets}</small>
      )}
    </>
  )
  return (
    <li ref={setNodeRef} style={style} className={classes['item']} data-sounding={sounding || undefined}>
      <Menu position="top-start">
        <Menu.Target>
          <button
            type="button"
            id={handleId(step.id)}
            className={classes['handle']}
            {...listeners}
            onKeyDown={(event) => {
              const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
              if (by === undefined) return
              event.preventDefault()
              event.stopPropagation()
              move(place, place + by)
            }}
            aria-label={`Move ${symbol}, ${place + 1} of ${count}`}
          >
            ⠿
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item disabled={place === 0} onClick={() => move(place, place - 1)}>
            Move left
          </Menu.Item>
          <Menu.Item disabled={place === count - 1} onClick={() => move(place, place + 1)}>
            Move right
          </Menu.Item>
          <Menu.Item onClick={() => remove(step)}>Remove</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      {shape ? (
        <a href={addressOfShape(shape, player)} aria-label={`Open ${symbol} ${frets}`}>
          {words}
        </a>
      ) : (
        <span title="This shape can't be read">{words}</span>
      )}
      <ActionIcon
        size={24}
        variant="transparent"
        color="gray"
        aria-label={`Remove ${symbol}`}
        onClick={() => remove(step)}
      >
        <IconX size={13} />
      </ActionIcon>
    </li>
  )
}
