/** Sets: what was kept from the tray, in order, drawn in one window. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { neckFor } from '@nestling/core/shape'
import { voicingOf } from '@nestling/core/voicing'
import type { KeptSet } from '../../../contracts/progression.ts'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
import { restoring } from '../../../state/deeds.ts'
import { newId } from '../../../state/ids.ts'
import { toPath, toPractice } from '../../../state/links.ts'
import { tell } from '../../../state/notices.ts'
import { $player, $session } from '../../../state/session.ts'
import { shapesBlock, toSheet } from '../../../state/toSheet.ts'
import { $tray, deleteSet, replaceTray, shownStep, undoTray } from '../../../state/tray.ts'
import { counted } from '../../../words/shapes.ts'
import { windowOf } from '../list/window.ts'
import type { BookState } from '../useBook.ts'
import classes from './Parts.module.css'

export function Sets({ state }: { readonly state: BookState }) {
  const { sets, moreSets } = state.contents
  return (
    <section aria-label="Sets" className={classes['part']}>
      <h2>Sets</h2>
      {sets.length === 0 && (
        <p>Shapes that are collected in the tray can be kept as a set: “Save to Book”, at the foot of every view.</p>
      )}
      {sets.map((set) => (
        <OneSet key={set.id} set={set} state={state} />
      ))}
      {moreSets > 0 && <p>and {counted(moreSets, 'set')} more, older ones</p>}
    </section>
  )
}

function OneSet({ set, state }: { readonly set: KeptSet; readonly state: BookState }) {
  const { settings } = useStore($session)
  const player = useStore($player)
  const shapes = set.steps.flatMap((step) => shownStep(step).shape ?? [])
  const window = windowOf(set.steps.flatMap(({ shape }) => shape?.frets ?? []))
  const remove = async () => {
    const reply = await deleteSet(set.id)
    if (reply.ok) state.did(`Deleted: ${set.title}`, restoring('set', set.id))
    else tell.problem('Not deleted', reply.message)
  }
  const toTray = async () => {
    const before = $tray.get()
    await replaceTray(set)
    const { steps } = $tray.get()
    // What was done to the tray since is another step: then it is given back as it was, which can be undone too.
    const back = () => ($tray.get().steps === steps ? undoTray() : replaceTray(before))
    const id = `tray-${newId()}`
    tell.undoable(
      `In the tray: ${set.title}`,
      () => {
        tell.hide(id)
        void back()
      },
      id,
    )
  }
  return (
    <article aria-label={set.title} className={classes['set']}>
      <header>
        <h3>{set.title}</h3>
        <button type="button" onClick={() => void toTray()}>
          Add to tray
        </button>
        <a href={toPath(shapes, player)}>To Path</a>
        <a href={toPractice(shapes, player, set.title)} aria-label={`Practise ${set.title}`}>
          Practise
        </a>
        <a
          href={toSheet(
            shapesBlock(
              shapes.map((shape) => ({ shape })),
              set.title,
            ),
          )}
        >
          To a sheet
        </a>
        <button type="button" data-danger aria-label={`Delete ${set.title}`} onClick={() => void remove()}>
          delete
        </button>
      </header>
      <ol>
        {set.steps.map((step) => {
          const { chord, shape, texts } = shownStep(step)
          const voicing = shape && voicingOf(shape.chord, shape.frets, neckFor(shape))
          return (
            <li key={step.id}>
              <strong>
                {chord ? writeSymbol(chord, { naming: settings.naming, school: settings.symbols }) : texts.chord}
              </strong>
              {voicing ? (
                <SmallNeck
                  frets={voicing.frets}
                  degrees={voicing.degrees}
                  width={132}
                  row={8}
                  thread
                  {...(window ?? {})}
                />
              ) : (
                <small>{texts.shape?.frets ?? 'no shape'}</small>
              )}
            </li>
          )
        })}
      </ol>
    </article>
  )
}
