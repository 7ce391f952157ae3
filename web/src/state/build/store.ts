/**
 * The current build: what is asked, what was found, which shape is in hand. `now` runs ahead of what is drawn: a change
 * and the shapes that answer it are drawn together, or the change alone if the search takes longer than a blink.
 *   action ─step→ now ─search (worker)→ $build ─→ page;  settled → counts, address
 */
import { instrumentFor } from '@nestling/core/build'
import { type Neck, neckOf } from '@nestling/core/neck'
import { type Frets, fretsAt, type Voicing, voicingOf } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import { searchClient } from '../../workers/searchClient.ts'
import { changedFrom, type History, type Moment, NO_HISTORY, redone, undone } from '../history.ts'
import { countFor, forgetCounts } from './counts.ts'
import type { BuildState, Preview, Step, Typed } from './types.ts'

/** Rows that the page holds at most; the list says how many there are. */
const MOST_SHOWN = 5000
/** How long a change waits for its shapes before it is drawn without them. */
const BLINK_MS = 80

export const $build = atom<BuildState | undefined>(undefined)
export const $typed = atom<Typed>({ line: '', problem: undefined })
export const $preview = atom<Preview | undefined>(undefined)
/** The step before, for comparing by ear and eye, and whether there is something to undo or redo. */
export const $history = atom<{
  readonly before: Step | undefined
  readonly canUndo: boolean
  readonly canRedo: boolean
}>({
  before: undefined,
  canUndo: false,
  canRedo: false,
})

let now: BuildState | undefined
let history: History<Step> = NO_HISTORY

export function current(): BuildState {
  if (now === undefined) throw new Error('the build store is used before it is opened')
  return now
}

function publish() {
  $build.set(current())
  const { past, future } = history
  $history.set({ before: past.at(-1), canUndo: past.length > 0, canRedo: future.length > 0 })
}

export const neckIn = ({ build, setting }: Pick<BuildState, 'build' | 'setting'>): Neck =>
  neckOf(instrumentFor(build, setting))

/** The voicing in hand, if the shape is one of the current chord. */
export const voicingInHand = (state: Pick<BuildState, 'build' | 'setting' | 'frets'>): Voicing | undefined =>
  state.frets === undefined ? undefined : voicingOf(state.build.chord, state.frets, neckIn(state))

let ticket = 0
/** Where the hand was before a question without an answer, such as B♭m on the way to B♭m7 over four strings. */
let handBefore: Frets | undefined

/** Searches for the current build; an answer that was overtaken is thrown away. */
async function search(): Promise<void> {
  const mine = ++ticket
  const { build, setting, search: before } = current()
  forgetCounts()
  const last = before.status === 'found' ? before.result : before.status === 'searching' ? before.last : undefined
  now = { ...current(), search: { status: 'searching', last } }
  const blink = setTimeout(publish, BLINK_MS)
  try {
    const result = await searchClient().shapesFor(build, setting, MOST_SHOWN)
    if (mine !== ticket) return
    const state = current()
    const frets = keepInHand({ ...state, frets: state.frets ?? handBefore }, result)
    handBefore = frets ?? state.frets ?? handBefore
    now = { ...state, search: { status: 'found', result }, frets }
  } catch (error) {
    if (mine !== ticket) return
    now = {
      ...current(),
      search: { status: 'failed', message: error instanceof Error ? error.message : String(error) },
    }
  } finally {
    clearTimeout(blink)
  }
  publish()
  countFor(current())
}

type Found = Parameters<typeof fretsAt>[0] & { readonly shown: number }

/** Keeps the hand where it is: the same shape if it still counts, else the nearest that was found. */
function keepInHand(state: BuildState, found: Found): Frets | undefined {
  const { frets, byHand } = state
  if (frets === undefined) return found.shown > 0 ? fretsAt(found, 0) : undefined
  if (byHand) return frets
  let nearest: { readonly frets: Frets; readonly apart: number } | undefined
  for (let row = 0; row < found.shown; row++) {
    const other = fretsAt(found, row)
    if (other.every((fret, string) => fret === frets[string])) return other
    const apart = Math.abs(centreOf(other) - centreOf(frets))
    if (nearest === undefined || apart < nearest.apart - 0.01) nearest = { frets: other, apart }
  }
  return nearest?.frets
}

/** Where along the neck a shape lies, in frets. */
function centreOf(frets: Frets): number {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  return pressed.length === 0 ? 0 : pressed.reduce((sum, fret) => sum + fret, 0) / pressed.length
}

const stepOf = ({ build, frets, byHand }: BuildState): Step => ({ build, frets, byHand })

/** One step that can be undone. With `search` its shapes are looked for; without, it is drawn at once. */
export function step(changes: Partial<Step>, options: { readonly search: boolean }): void {
  const before = current()
  if ('frets' in changes && changes.frets === undefined) handBefore = undefined
  history = changedFrom(history, stepOf(before))
  now = { ...before, ...changes }
  $preview.set(undefined)
  if (options.search) void search()
  else publish()
}

function go(to: (moment: Moment<Step>) => Moment<Step> | undefined): boolean {
  const there = to({ now: stepOf(current()), history })
  if (!there) return false
  history = there.history
  now = { ...current(), ...there.now }
  $typed.set({ line: '', problem: undefined })
  void search()
  return true
}
export const undo = (): boolean => go(undone)
export const redo = (): boolean => go(redone)

/** Opens a state: at the start, or when the browser goes back. What can be undone stays. */
export function openBuild(initial: BuildState): void {
  handBefore = undefined
  now = initial
  publish()
  void search()
}

/** Another instrument or habit: the same question, asked anew; strings that it does not have are forgotten. */
export function changeSetting(setting: BuildState['setting']): void {
  const before = current()
  const strings = setting.instrument.tuning.strings.length
  const same = strings === before.setting.instrument.tuning.strings.length
  const sameTuning = setting.instrument === before.setting.instrument
  if (!sameTuning) handBefore = undefined
  now = {
    ...before,
    setting,
    build: same ? before.build : { ...before.build, strings: undefined, tuning: undefined },
    frets: sameTuning ? before.frets : undefined,
    byHand: sameTuning && before.byHand,
  }
  void search()
}
