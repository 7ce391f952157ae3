/** The shapes of the tray, to be put in order by hand: by pointer, or with the space bar and arrows. */
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
import { ActionIcon } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { neckFor } from '@nestling/core/shape'
import { voicingOf } from '@nestling/core/voicing'
import type { StepTexts } from '../contracts/progression.ts'
import { IconX } from '../controls/icons.ts'
import { SmallNeck } from '../neck/SmallNeck.tsx'
import { $player, $session } from '../state/session.ts'
import { moveInTray, shownStep } from '../state/tray.ts'
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
    <DndContext id="tray" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={steps.map(({ id }) => id)} strategy={horizontalListSortingStrategy}>
        <ul className={classes['shapes']} aria-label="Shapes in the tray">
          {steps.map((step, index) => (
            <TrayItem key={step.id} step={step} sounding={playing === index} window={window} remove={remove} />
          ))}
        </ul>
      </SortableContext>
    </DndContext>
  )
}

function TrayItem({
  step,
  sounding,
  window,
  remove,
}: {
  readonly step: StepTexts
  readonly sounding: boolean
  readonly window: FretWindow
  readonly remove: (step: StepTexts) => void
}) {
  const { settings } = useStore($session)
  const player = useStore($player)
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: step.id })
  const { chord, shape, texts } = shownStep(step)
  const symbol = chord ? writeSymbol(chord, { naming: settings.naming, school: settings.symbols }) : texts.chord
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
