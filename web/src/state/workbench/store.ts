/**
 * The workbench: what is asked, what was found, which shape is in hand. What is asked runs ahead of what is drawn: a change
 * and the shapes that answer it are drawn together; until then, longer than a blink, all of the last answer stays, faint.
 *   action ─step→ asked ─search (worker)→ $workbench ─→ page;  settled → counts, address
 */
import type { GivenWay, ShapesFound } from '@nestling/core/answer'
import { type Neck, neckOf } from '@nestling/core/neck'
import { instrumentFor, type KeptWish, type Player, type Question } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import { frettedUp } from '@nestling/core/taste'
import { centreOf, type Frets, fretsAt, lowestPressed, type Voicing, voicingOf } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import { searchClient } from '../../workers/clients.ts'
import { type Asked, createAsked, type Typed } from '../asked.ts'
import { countFor, forgetCounts } from './counts.ts'
import { easierFor, forgetEasier } from './easier.ts'
import { forgetOtherSets, otherSetsFor } from './otherSets.ts'
import type { Preview, Search, Step, WorkbenchState } from './types.ts'

/** Rows that the page holds at most; the list says how many there are. */
const MOST_SHOWN = 5000
/** How long a change waits for its shapes before what is drawn is faint. */
const BLINK_MS = 80

export const $workbench = atom<WorkbenchState | undefined>(undefined)
export const $preview = atom<Preview | undefined>(undefined)

const NOTHING: Step = {
  question: {
    chord: { root: 'C', formula: ['R', '3', '5'] },
    arrangement: { kind: 'any' },
    open: 'never',
    fretMin: 1,
    fretMax: 15,
  },
  frets: undefined,
  fingers: undefined,
  byHand: false,
  stated: false,
}

export const asked: Asked<Step> = createAsked(NOTHING)
let player: Player | undefined
let found: Search = { status: 'searching', last: undefined }

export function current(): WorkbenchState {
  if (player === undefined) throw new Error('the workbench is used before it is opened')
  return { ...asked.current(), player, search: found, faint: false }
}

const publish = () => $workbench.set(current())

/** While its shapes are not there yet, headline, neck, names and list stay with the last answer, all of them. */
function publishFaint(): void {
  const shown = $workbench.get()
  if (shown && !shown.faint) $workbench.set({ ...shown, faint: true })
}

export const neckIn = ({ question, player: who }: Pick<WorkbenchState, 'question' | 'player'>): Neck =>
  neckOf(instrumentFor(question, who))

/** The voicing in hand, if the shape is one of the current chord. */
export const voicingInHand = (state: Pick<WorkbenchState, 'question' | 'player' | 'frets'>): Voicing | undefined =>
  state.frets === undefined ? undefined : voicingOf(state.question.chord, state.frets, neckIn(state))

/** What is under the hand, as it is kept, collected and sent; `undefined` on an empty neck. */
export function shapeInHand(state: WorkbenchState): Shape | undefined {
  const { question, frets, fingers } = state
  if (frets === undefined || frets.every((fret) => fret === null)) return undefined
  const { tuning } = instrumentFor(question, state.player)
  return { chord: question.chord, frets, tuning, ...(fingers ? { fingers } : {}) }
}

let ticket = 0
/** Where the hand was before a question without an answer, such as B♭m on the way to B♭m7 over four strings. */
let handBefore: Frets | undefined

/** What was in hand is no reason for what comes into it. */
export function forgetHand(): void {
  handBefore = undefined
}

let answering: Promise<void> | undefined

/** The answer that is under way, and those that overtake it; `undefined` when all is answered. Never rejected. */
export function whenAnswered(): Promise<void> | undefined {
  return answering?.then(() => whenAnswered())
}

function search(kept: readonly KeptWish[] = []): Promise<void> {
  const mine = searched(kept).then(() => {
    if (answering === mine) answering = undefined
  })
  answering = mine
  return mine
}

/** Searches for the current question; an answer that was overtaken is thrown away. Kept wishes give way where need be. */
async function searched(kept: readonly KeptWish[]): Promise<void> {
  const mine = ++ticket
  const { question, player: who, search: before } = current()
  forgetCounts()
  forgetOtherSets()
  forgetEasier()
  const last = before.status === 'found' ? before.result : before.status === 'searching' ? before.last : undefined
  found = { status: 'searching', last }
  const blink = setTimeout(publishFaint, BLINK_MS)
  try {
    const answer = await searchClient().answerGivingWay(question, kept, who, MOST_SHOWN)
    if (mine !== ticket) return
    take(answer, question)
    if (asked.isTyping() && answer.found.playable === 0 && asked.current().frets === undefined) return publishFaint()
  } catch (error) {
    if (mine !== ticket) return
    found = { status: 'failed', message: error instanceof Error ? error.message : String(error) }
    letGo()
  } finally {
    clearTimeout(blink)
  }
  showAnswer()
}

function take(answer: GivenWay, question: Question): void {
  const { frets } = current()
  const settled = settledBy(answer, current(), handBefore)
  handBefore = settled.frets ?? frets ?? handBefore
  found = foundBy(answer, question)
  asked.settle(settled)
}

const foundBy = ({ found: result, gaveWay, isByTaste = false }: GivenWay, question: Question): Search => ({
  status: 'found',
  result,
  gaveWay,
  isByTaste,
  asked: question,
})

/** What an answer settles of the step that asked for it: the shape in hand, and the question where wishes gave way. */
function settledBy(answer: GivenWay, step: Step, before: Frets | undefined): Partial<Step> {
  const frets = keepInHand({ ...step, frets: step.frets ?? before }, answer.found)
  return {
    frets,
    ...(answer.gaveWay.length > 0 ? { question: answer.question } : {}),
    ...(sameFrets(frets, step.frets) ? {} : { fingers: undefined }),
  }
}

/** Build as it is drawn first: with the answer that the page came with, or before the first one. */
export function firstState(step: Step, who: Player, answer: GivenWay | undefined): WorkbenchState {
  if (!answer) return { ...step, player: who, search: { status: 'searching', last: undefined }, faint: false }
  const search = foundBy(answer, step.question)
  return { ...step, ...settledBy(answer, step, undefined), player: who, search, faint: false }
}

/** A shape of the question before is none of this one: neck, names and what is kept must not say so. */
function letGo(): void {
  const state = current()
  if (state.frets === undefined || state.byHand || voicingInHand(state)) return
  handBefore = state.frets
  asked.settle({ frets: undefined, fingers: undefined })
}

/** The same question anew, after a search that has stopped. */
export const searchAgain = (): Promise<void> => search()

/** Draws what was found, and has the rest counted. */
function showAnswer(): void {
  publish()
  otherSetsFor(current())
  easierFor(current())
  countFor(current())
}

const sameFrets = (a: Frets | undefined, b: Frets | undefined): boolean => a?.join() === b?.join()

/** A grip whose score is no more than this beyond the best one's is as good. */
const AS_GOOD = 1

/**
 * Keeps the hand where it is: the same shape if it still counts; else the first of the list, or of those that are as
 * good and can be held the nearest to the hand.
 */
function keepInHand({ frets, byHand }: Pick<Step, 'frets' | 'byHand'>, result: ShapesFound): Frets | undefined {
  if (frets !== undefined && byHand) return frets
  if (result.shown === 0) return undefined
  const first = fretsAt(result, 0)
  if (frets === undefined) return first
  if (holds(result, frets)) return frets
  const perFret = result.scorePerFret
  const asGrip = (row: number, one: Frets) => (result.scores[row] as number) - perFret * frettedUp(lowestPressed(one))
  const centre = centreOf(frets)
  const best = asGrip(0, first)
  let nearest = { frets: first, apart: Math.abs(centreOf(first) - centre) }
  for (let row = 0; row < result.shown; row++) {
    // What a shape's place on the neck adds can't make it as good: most are passed over before they are read.
    if (result.held[row] === 0 || (result.scores[row] as number) > best + AS_GOOD + perFret * frettedUp(MOST_FRETS))
      continue
    const other = fretsAt(result, row)
    if (asGrip(row, other) > best + AS_GOOD) continue
    const apart = Math.abs(centreOf(other) - centre)
    if (apart < nearest.apart - 0.01) nearest = { frets: other, apart }
  }
  return nearest.frets
}
const MOST_FRETS = 30

/** Whether the very same frets are among the shapes. */
function holds({ strings, shown, frets: all }: ShapesFound, frets: Frets): boolean {
  if (frets.length !== strings) return false
  for (let row = 0; row < shown; row++)
    if (frets.every((fret, string) => all[row * strings + string] === (fret ?? -1))) return true
  return false
}

export interface StepOptions {
  readonly search: boolean
  /** The line stays as it was typed. */
  readonly keepsLine?: boolean
  /** What gives way where nothing is found with it. */
  readonly kept?: readonly KeptWish[]
}

/** One step that can be undone. With `search` its shapes are looked for; without, it is drawn at once. */
export function step(changes: Partial<Step>, { search: searches, keepsLine = false, kept = [] }: StepOptions): void {
  if ('frets' in changes && changes.frets === undefined) handBefore = undefined
  asked.step({ ...withOwnFingers(changes), ...('question' in changes ? { isUnasked: false } : {}) }, { keepsLine })
  afterStep(searches, kept)
}

/** A fingering belongs to one shape: another shape has the best of its own. */
const withOwnFingers = (changes: Partial<Step>): Partial<Step> =>
  'frets' in changes && !('fingers' in changes) && !sameFrets(changes.frets, asked.current().frets)
    ? { ...changes, fingers: undefined }
    : changes

export function afterStep(searches: boolean, kept: readonly KeptWish[] = []): void {
  $preview.set(undefined)
  if (searches) void search(kept)
  else publish()
}

/** The typed line has ended: what it means is shown as soon as it is answered, shapes or none. */
export function finishLine(): void {
  const takenBack = asked.finish()
  if (takenBack) void search()
  else if ($workbench.get()?.faint && answering === undefined) showAnswer()
}

function go(there: boolean): boolean {
  if (there) void search()
  return there
}
export const undo = (): boolean => go(asked.undo())
export const redo = (): boolean => go(asked.redo())

/**
 * Opens a state: at the start, or when the browser goes back. What can be undone stays.
 * @param answer What the page came with; without it the worker is asked.
 */
export function openWorkbench(first: Step, who: Player, typed?: Typed, answer?: GivenWay): void {
  handBefore = undefined
  player = who
  asked.open(first, typed)
  if (answer) {
    take(answer, first.question)
    showAnswer()
  } else {
    publish()
    void search()
  }
}

/** Another instrument or habit: the same question, asked anew; strings that it does not have are forgotten. */
export function changePlayer(next: Player): void {
  const { question, frets, fingers, byHand, player: before } = current()
  const same = next.instrument.tuning.strings.length === before.instrument.tuning.strings.length
  const sameInstrument = next.instrument === before.instrument
  if (!sameInstrument) handBefore = undefined
  player = next
  asked.settle({
    question: same ? question : { ...question, strings: undefined, tuning: undefined },
    frets: sameInstrument ? frets : undefined,
    fingers: sameInstrument ? fingers : undefined,
    byHand: sameInstrument && byHand,
  })
  void search()
}
