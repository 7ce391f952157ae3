/** A shape or the whole path to the tray, and to the Book; the tune with its shapes kept. */
import { writeChart } from '@nestling/core/chart'
import { writeTuning } from '@nestling/core/neck'
import { instrumentFor } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import { writeTune } from '@nestling/core/tune'
import type { KeptTune, TuneDraft } from '../../contracts/tune.ts'
import { addressOfTune } from '../../contracts/tuneAddresses.ts'
import { keepAs } from '../../state/book.ts'
import { did, type Undoing } from '../../state/deeds.ts'
import { fretsTextOf, toPractice } from '../../state/links.ts'
import { tell } from '../../state/notices.ts'
import { toSheet, tuneBlock } from '../../state/toSheet.ts'
import { addToTray } from '../../state/tray.ts'
import { addressOfKept, findTune, keepTune, type TuneSeen } from '../../state/tunes.ts'
import { tuneDifferences } from '../../words/tuneDiff.ts'
import type { PathState } from './usePath.ts'

const nothing = () => tell.done('This chord has no shape here: see why beside the tune.', 'no-shape')

export async function toTray({ whenAnswered }: PathState): Promise<unknown> {
  const { shape } = await whenAnswered()
  return shape ? addToTray([shape]) : nothing()
}
export async function keepShape({ whenAnswered }: PathState): Promise<unknown> {
  const { shape } = await whenAnswered()
  return shape ? keepAs(shape) : nothing()
}

function draftOf({ answer, player }: PathState): Omit<TuneDraft, 'remarks'> {
  const { plan, found } = answer
  return {
    title: plan.chart.title.slice(0, 60) || 'A tune',
    tune: writeTune({ ...plan, way: found.shapes.map((shape) => shape?.frets) }, instrumentFor(plan, player).tuning),
  }
}

/** Keeps the tune in the Book: anew, or over the one that it was opened from. */
export async function keep({ whenAnswered }: PathState): Promise<unknown> {
  const state = await whenAnswered()
  const { plan, played } = state.answer
  if (played.chords.length === 0) return tell.done('There is nothing to save: type chords in bars.', 'nothing-to-keep')
  if (state.problems.length > 0)
    return tell.problem('Not kept', 'Something in the chart can’t be read yet: it is told beside the field.')
  return keepAsSeen(state, draftOf(state), plan.tune === undefined ? undefined : { id: plan.tune, version: plan.seen })
}

async function keepAsSeen(state: PathState, draft: Omit<TuneDraft, 'remarks'>, over?: TuneSeen): Promise<unknown> {
  const before = over && (await findTune(over.id))
  const reply = await keepTune(draft, over)
  if (reply.ok) {
    const { title } = reply.value
    state.keptAs(reply.value)
    const words = `Saved to Book: ${title}`
    // What it was kept over is not known: then there is no way back to it.
    if (before && !before.ok && before.status !== 404) return tell.done(words)
    return did(words, takingBack(reply.value, before?.ok ? before.value : undefined))
  }
  if (reply.waits) return tell.waits('The tune waits', reply.message)
  const theirs = over && (reply.now as KeptTune | undefined)
  return theirs ? chooseOne(state, draft, theirs) : tell.problem('Not kept', reply.message)
}

/** What was new goes again; what was kept over is as it was. */
function takingBack({ id, version }: KeptTune, before: KeptTune | undefined): Undoing {
  const path = addressOfKept(id)
  if (!before) return { method: 'DELETE', path: `${path}?version=${version}` }
  const { title, tune, remarks } = before
  return { method: 'PUT', path, body: { title, tune, remarks, version } }
}

/** Somebody else has kept it since it was opened here: both are told, and the player keeps one, the other, or both. */
function chooseOne(state: PathState, draft: Omit<TuneDraft, 'remarks'>, theirs: KeptTune): void {
  tell.choice(`${theirs.title} was changed elsewhere since it was opened here: ${tuneDifferences(draft, theirs)}.`, [
    ['Keep mine', () => void keepAsSeen(state, draft, theirs)],
    ['Keep both', () => void keepAsSeen(state, { ...draft, title: `${draft.title.slice(0, 50)}, again` })],
    ['Open theirs', () => window.location.assign(addressOfTune(theirs.id))],
  ])
}

/** Every chord's shape, in the order in which they are played. */
export function pathShapes({ answer, player }: PathState): readonly Shape[] {
  const { tuning } = instrumentFor(answer.plan, player)
  return answer.found.shapes.flatMap((shape, index): readonly Shape[] => {
    const chord = answer.played.chords[index]?.chord
    return shape && chord ? [{ chord, frets: shape.frets, tuning }] : []
  })
}

export async function pathToTray({ whenAnswered }: PathState): Promise<unknown> {
  const shapes = pathShapes(await whenAnswered())
  return shapes.length > 0 ? addToTray(shapes) : nothing()
}

/** The tune on a sheet: as it is in the Book, or as it stands here. */
export function sheetHref({ answer, player }: PathState): string | undefined {
  const { plan, played, found } = answer
  if (played.chords.length === 0) return undefined
  if (plan.tune !== undefined) return toSheet(tuneBlock(plan.tune))
  return toSheet({
    kind: 'chart',
    under: 'tab',
    moves: true,
    source: {
      kind: 'own',
      chart: writeChart(plan.chart),
      tuning: writeTuning(instrumentFor(plan, player).tuning),
      frets: played.chords.map((_, index) => {
        const shape = found.shapes[index]
        return shape ? fretsTextOf(shape.frets) : null
      }),
    },
  })
}

/** The tune's shapes as a run, in their order. */
export const practiseHref = (state: PathState): string =>
  toPractice(pathShapes(state), state.player, state.answer.plan.chart.title)
