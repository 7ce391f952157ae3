/** The strip at the foot of every view: shapes collected on the way, in the order in which they are played. */
import { ActionIcon, Button } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { neckFor } from '@nestling/core/shape'
import { soundedNotes } from '@nestling/core/time'
import { highestPressed, lowestPressed } from '@nestling/core/voicing'
import { useEffect, useMemo, useState } from 'react'
import type { StepTexts, Tray as TrayTexts } from '../contracts/progression.ts'
import { IconBookmark, IconPlayerPlay, IconPlayerStop, IconTrash } from '../controls/icons.ts'
import { later } from '../controls/later.tsx'
import { NameField } from '../controls/NameField.tsx'
import { $playing, stop } from '../sound/transport.ts'
import { newId } from '../state/ids.ts'
import { toPath, toPractice } from '../state/links.ts'
import { tell } from '../state/notices.ts'
import { hearChords } from '../state/playback.ts'
import { $player } from '../state/session.ts'
import { $tray, emptyTray, keepTray, nameTray, putBack, removeFromTray, shownStep, stepSymbol } from '../state/tray.ts'
import { counted } from '../words/shapes.ts'
import { Landing } from './Landing.tsx'
import classes from './Tray.module.css'
import type { FretWindow, TrayStepsProps } from './TraySteps.tsx'

const WIDEST_WINDOW = 12

/** How the hand goes through the tray: from fret to fret, in one window where that is not too wide to read. */
function walkOf(steps: readonly StepTexts[]): { readonly window: FretWindow; readonly walk: number } {
  const shapes = steps.flatMap((step) => {
    const { shape } = shownStep(step)
    return shape ? [shape.frets] : []
  })
  const places = shapes.map(lowestPressed).filter((fret) => fret > 0)
  const walk = places.slice(1).reduce((sum, fret, index) => sum + Math.abs(fret - (places[index] as number)), 0)
  const from = Math.min(...places)
  const to = Math.max(...shapes.map(highestPressed), from + 4)
  return { walk, window: places.length > 1 && to - from < WIDEST_WINDOW ? { from, to } : {} }
}

/** Sorting by hand is loaded with the first shape; where the server does not give it now, the shapes are listed all the same. */
const TraySteps = later(() => import('./TraySteps.tsx'), {
  what: 'The tray',
  meanwhile: <span className={classes['shapes']} />,
  instead: PlainSteps,
})

function PlainSteps({ steps }: Pick<TrayStepsProps, 'steps'>) {
  return (
    <ol className={classes['plain']} aria-label="Shapes in the tray">
      {steps.map((step) => (
        <li key={step.id}>
          {stepSymbol(step)} {step.shape?.frets}
        </li>
      ))}
    </ol>
  )
}

/** Seconds from one shape of the row to the next. */
const APART_S = 1.4
const OWNER = 'tray'

export function Tray() {
  const tray = useStore($tray)
  const { steps, title } = tray
  // What loads later is not drawn by the server: it would send it behind the page, by a script that the page's policy forbids.
  const [isHere, setHere] = useState(false)
  useEffect(() => setHere(true), [])
  const { owner, mark } = useStore($playing)
  const { window, walk } = useMemo(() => walkOf(steps), [steps])
  const playing = owner === OWNER ? (mark ?? -1) : undefined
  return (
    <section className={classes['tray']} aria-label="Tray">
      <TrayName name={title} />
      {steps.length === 0 ? (
        <p className={classes['empty']}>
          empty: <kbd>T</kbd> adds the shape in hand, to play in a row or to save
        </p>
      ) : isHere ? (
        <TraySteps steps={steps} playing={playing} window={window} remove={remove} />
      ) : (
        <span className={classes['shapes']} />
      )}
      {steps.length === 0 && <Landing />}
      {steps.length > 0 && (
        <div className={classes['acts']}>
          <span className={classes['walk']} data-testid="walk">
            {counted(steps.length, 'shape')}
            {walk > 0 && `, the hand walks ${counted(walk, 'fret')}`}
          </span>
          <Landing />
          <PlayRow steps={steps} playing={playing !== undefined} />
          <ToPath steps={steps} />
          <Practise steps={steps} title={title} />
          <Button
            size="compact-sm"
            variant="default"
            leftSection={<IconBookmark size={15} aria-hidden />}
            onClick={() => void keep(title)}
          >
            Save to Book
          </Button>
          <ActionIcon
            variant="subtle"
            color="gray"
            aria-label="Empty the tray"
            title="Empty the tray"
            onClick={() => empty(tray)}
          >
            <IconTrash size={17} />
          </ActionIcon>
        </div>
      )}
    </section>
  )
}

/** The row as a tune: its shapes are held there, and what lies between can be changed. */
function ToPath({ steps }: { readonly steps: readonly StepTexts[] }) {
  const player = useStore($player)
  const shapes = steps.flatMap((step) => shownStep(step).shape ?? [])
  return (
    <Button component="a" href={toPath(shapes, player)} size="compact-sm" variant="default">
      To Path
    </Button>
  )
}

/** The row as a run: as it stands, or through every root. */
function Practise({ steps, title }: { readonly steps: readonly StepTexts[]; readonly title: string }) {
  const player = useStore($player)
  const shapes = steps.flatMap((step) => shownStep(step).shape ?? [])
  return (
    <Button component="a" href={toPractice(shapes, player, title)} size="compact-sm" variant="default">
      Practise
    </Button>
  )
}

async function keep(title: string) {
  const reply = await keepTray(title.trim() || 'Tray')
  if (reply.ok) tell.done(`Saved to Book: ${reply.value.title}, ${counted(reply.value.steps.length, 'shape')}`)
  else if (reply.waits) tell.waits('The set waits', reply.message)
  else tell.problem('Not kept', reply.message)
}

/** Undone later, what was added meanwhile stays. */
function undoable(words: string, removed: readonly StepTexts[], at: number) {
  const undo = () => {
    tell.settled()
    void putBack(removed, at)
  }
  tell.undoable(words, undo, `tray-${newId()}`)
}

function empty(tray: TrayTexts) {
  void emptyTray()
  undoable(`Removed: ${counted(tray.steps.length, 'shape')}`, tray.steps, 0)
}

function remove(step: StepTexts) {
  const at = $tray.get().steps.findIndex(({ id }) => id === step.id)
  void removeFromTray(step.id)
  undoable(`Removed: ${stepSymbol(step)}`, [step], at)
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
