/**
 * The tray: the current progression, shapes collected while working. A change shows at once and lands in the database; while
 * the server is away it waits in the browser. What another page has made of the tray meanwhile is joined with it, or both are
 * shown to choose from.
 */
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { EMPTY_PROGRESSION, type StepTexts, stepFor, withSteps, writeProgression } from '@nestling/core/progression'
import { readShape, type Shape } from '@nestling/core/shape'
import { atom } from 'nanostores'
import { EMPTY_TRAY, type KeptSet, type KeptSetDraft, MOST_STEPS, type Tray } from '../contracts/progression.ts'
import { isAway, joinSenders, sendLater, WAITS, waitingUnder } from './away.ts'
import { changedFrom, type History, type Moment, NO_HISTORY, redone, undone } from './history.ts'
import { call, type Reply } from './http.ts'
import { newId } from './ids.ts'
import { mergedTray, type TrayTexts } from './mergeTray.ts'
import { tell } from './notices.ts'
import { hearOthers, tellOthers } from './otherPages.ts'
import { keepOrWait } from './outbox.ts'
import { $style } from './session.ts'
import { joinUndo, stamp } from './undoOrder.ts'
import { inWindow, keepInWindow } from './windowStorage.ts'

export const $tray = atom<Tray>(EMPTY_TRAY)
/** Whether the last change has landed. */
export const $trayKept = atom<'kept' | 'keeping' | 'not kept' | 'waiting for the server'>('kept')
/** What this page and another have made of the tray, where the two can't be joined. */
export const $trayConflict = atom<{ readonly mine: TrayTexts; readonly theirs: Tray } | undefined>(undefined)

/** As the server last had it: what is changed here is changed from there. */
let base: Tray = EMPTY_TRAY
interface Left {
  readonly base: Tray
  readonly mine: TrayTexts
}
const waiting = waitingUnder<Left>('tray')
/** What waits and is in this page's tray already, as text: anything else there is another page's. */
let holds = ''
function letWait(left: Left | undefined): void {
  waiting.write(left)
  holds = left === undefined ? '' : JSON.stringify(left)
}

/**
 * What another page of the browser could not send joins this page's tray before that is sent: whoever sends takes it off the
 * list of what waits. False where the two can't be joined: both are kept to choose from.
 */
function takeWaiting(): boolean {
  const left = waiting.read()
  if (left === undefined || JSON.stringify(left) === holds) return true
  const now = $tray.get()
  const joined = mergedTray(textsOf(left.base), left.mine, textsOf(now), MOST_STEPS)
  if (!joined) {
    base = left.base
    $tray.set({ ...left.mine, version: now.version })
    bothKept(left.mine, now)
    return false
  }
  $tray.set({ ...joined, version: now.version })
  holds = JSON.stringify(left)
  return true
}
/** The last version that this window was answered: its next page may have been drawn before. */
const ANSWERED = 'answered.tray'

/** As the server has it; with what an earlier page could not send. */
export function openTray(tray: Tray): void {
  base = tray
  $tray.set(tray)
}

/** As the server has it now, where nothing of this page is on its way. */
export async function refreshTray(): Promise<void> {
  if ($trayKept.get() !== 'kept') return
  const there = await call<Tray>('GET', '/api/tray')
  if (there.ok && $trayKept.get() === 'kept') openTray(there.value)
}

/** In the browser, once: what an earlier page could not send is shown and sent. */
export function openWaitingTray(): void {
  const left = waiting.read()
  if (!left) {
    if ((inWindow<number>(ANSWERED) ?? 0) > base.version) void refreshTray()
    return
  }
  const joined = mergedTray(textsOf(left.base), left.mine, textsOf(base), MOST_STEPS)
  if (joined) {
    letWait(left)
    $tray.set({ ...joined, version: base.version })
    $trayKept.set('waiting for the server')
    return
  }
  const theirs = base
  base = left.base
  $tray.set({ ...left.mine, version: theirs.version })
  bothKept(left.mine, theirs)
}
joinSenders(async () => {
  if (waiting.read() === undefined || $trayConflict.get()) return true
  await send(() => ({}))
  return waiting.read() === undefined || $trayConflict.get() !== undefined
})
// What is being kept here comes first: the server then tells whether the two agree.
hearOthers<Tray>('tray', (tray) => {
  if ($trayKept.get() === 'kept') openTray(tray)
})

let queue: Promise<void> = Promise.resolve()

type Texts = TrayTexts
interface TrayPast {
  readonly history: History<Texts>
  /** When each step of the past was taken. */
  readonly at: readonly number[]
}
const PAST_KEY = 'past.tray'
/** Kept with the window: what was removed on one page can be taken back on the next. */
const MOST_KEPT = 20
const NO_PAST: TrayPast = { history: NO_HISTORY, at: [] }
let past: TrayPast | undefined
const $past = atom({ canUndo: false, canRedo: false })

const pastNow = (): TrayPast => past ?? NO_PAST
function remember(history: History<Texts>, at: readonly number[]): void {
  past = { history: { past: history.past.slice(-MOST_KEPT), future: history.future }, at: at.slice(-MOST_KEPT) }
  $past.set({ canUndo: history.past.length > 0, canRedo: history.future.length > 0 })
  keepInWindow(PAST_KEY, past)
}

/** What this window did to the tray before comes back, to be undone from here too. */
export function openTrayPast(): void {
  const kept = past === undefined ? inWindow<TrayPast>(PAST_KEY) : undefined
  if (Array.isArray(kept?.history?.past) && Array.isArray(kept.at)) remember(kept.history, kept.at)
}

const textsOf = ({ version: _, ...texts }: Tray): Texts => texts

function goInPast(to: (moment: Moment<Texts>) => Moment<Texts> | undefined, at: readonly number[]): Promise<void> {
  const there = to({ now: textsOf($tray.get()), history: pastNow().history })
  if (!there) return Promise.resolve()
  remember(there.history, at)
  return send(() => there.now)
}
export function undoTray(): Promise<void> {
  tell.settled()
  return goInPast(undone, pastNow().at.slice(0, -1))
}
export const redoTray = (): Promise<void> => goInPast(redone, [...pastNow().at, stamp()])
joinUndo({ $past, at: () => pastNow().at.at(-1) ?? 0, undo: undoTray, redo: redoTray })

type Change = (tray: Tray) => Partial<Omit<Tray, 'version'>>

function change(to: Change): Promise<void> {
  remember(changedFrom(pastNow().history, textsOf($tray.get())), [...pastNow().at, stamp()])
  return send(to)
}

/** Changes are sent one after another, each over the version that the one before has made. */
function send(to: Change): Promise<void> {
  const shown = $tray.get()
  $tray.set({ ...shown, ...to(shown) })
  $trayKept.set('keeping')
  queue = queue.then(async () => {
    // Until somebody has chosen, nothing is written over anything.
    const open = $trayConflict.get()
    if (open) return bothKept(textsOf($tray.get()), open.theirs)
    if (!takeWaiting()) return
    const sent = $tray.get()
    const reply = await call<Tray>('PUT', '/api/tray', sent)
    if (reply.ok) {
      const { version } = reply.value
      // What was changed meanwhile stays; only the version is the server's.
      base = { ...sent, version }
      $tray.set({ ...$tray.get(), version })
      keepInWindow(ANSWERED, version)
      letWait(undefined)
      $trayKept.set('kept')
      tellOthers('tray', $tray.get())
      return
    }
    if (reply.status === 409) return joinTheirs()
    const isNews = waiting.read() === undefined
    letWait(isAway(reply) ? { base, mine: textsOf($tray.get()) } : undefined)
    if (!isAway(reply)) {
      $trayKept.set('not kept')
      tell.problem('The tray is not kept', reply.message)
      return
    }
    if (isNews) tell.waits('The tray waits', WAITS)
    $trayKept.set('waiting for the server')
    sendLater()
  })
  return queue
}

/** The server has another state: joined and sent again, or both kept to choose from. */
async function joinTheirs(): Promise<void> {
  const there = await call<Tray>('GET', '/api/tray')
  if (!there.ok) return sendLater()
  const mine = textsOf($tray.get())
  const joined = mergedTray(textsOf(base), mine, textsOf(there.value), MOST_STEPS)
  if (!joined) return bothKept(mine, there.value)
  base = there.value
  $tray.set({ ...joined, version: there.value.version })
  void send(() => ({}))
}

/** Both states, here and over a reload, with what they grew from. */
function bothKept(mine: TrayTexts, theirs: Tray): void {
  letWait({ base, mine })
  $trayConflict.set({ mine, theirs })
  $trayKept.set('not kept')
}

/** One of the two states holds; the other one can be had back by undo. */
export function chooseTray(which: 'mine' | 'theirs'): Promise<void> {
  const found = $trayConflict.get()
  if (!found) return Promise.resolve()
  $trayConflict.set(undefined)
  base = found.theirs
  const other = which === 'mine' ? textsOf(found.theirs) : found.mine
  remember(changedFrom(pastNow().history, other), [...pastNow().at, stamp()])
  $tray.set({ ...(which === 'mine' ? found.mine : found.theirs), version: found.theirs.version })
  return send(() => ({}))
}

/** Shapes as steps of a bar each, behind what is there. What does not fit is told. */
export function addToTray(shapes: readonly Shape[]): Promise<void> {
  const room = MOST_STEPS - $tray.get().steps.length
  if (shapes.length > room)
    tell.problem('The tray is full', `${room} of ${shapes.length} shapes went in; it holds ${MOST_STEPS}.`)
  const fitting = shapes.slice(0, room)
  if (fitting.length === 0) return Promise.resolve()
  const steps = fitting.map((shape) => stepFor(shape, newId()))
  const texts = writeProgression(withSteps(EMPTY_PROGRESSION, steps)).steps.map(stepTextsOf)
  return change((tray) => ({ steps: [...tray.steps, ...texts] }))
}

const stepTextsOf = ({ shape, ...step }: StepTexts): Tray['steps'][number] => ({
  ...step,
  shape: shape === null ? null : { ...shape, fingers: shape.fingers ?? '' },
})

export const replaceTray = ({ title, key, metre, tempoBpm, steps }: Omit<Tray, 'version'>): Promise<void> =>
  change(() => ({ title, key, metre, tempoBpm, steps: [...steps] }))

/** Steps that were removed, where they stood; what was added meanwhile stays. */
export const putBack = (removed: readonly StepTexts[], at: number): Promise<void> =>
  change(({ steps }) => {
    const missing = removed.filter(({ id }) => steps.every((step) => step.id !== id)).map(stepTextsOf)
    return { steps: [...steps.slice(0, at), ...missing, ...steps.slice(at)] }
  })

export const emptyTray = (): Promise<void> => replaceTray(EMPTY_TRAY)

export const moveInTray = (from: number, to: number): Promise<void> =>
  change((tray) => {
    const steps = [...tray.steps]
    const [moved] = steps.splice(from, 1)
    if (moved) steps.splice(to, 0, moved)
    return { steps }
  })

export const removeFromTray = (id: string): Promise<void> =>
  change((tray) => ({ steps: tray.steps.filter((step) => step.id !== id) }))

export const nameTray = (title: string): Promise<void> => change(() => ({ title }))

/** Keeps the tray as a set in the Book. */
export function keepTray(title: string): Promise<Reply<KeptSet>> {
  const { version: _, ...progression } = $tray.get()
  const body = { ...progression, title } satisfies KeptSetDraft
  return keepOrWait({ method: 'POST', path: '/api/sets', body, name: title, list: '/api/sets' })
}

export const deleteSet = (id: number): Promise<Reply<undefined>> => call('DELETE', `/api/sets/${id}`)

/** A step as it is drawn and heard; a shape that can't be read is told by its texts and not lost. */
export interface ShownStep {
  readonly id: string
  readonly chord: Shape['chord'] | undefined
  readonly shape: Shape | undefined
  readonly texts: StepTexts
}

const shown = new WeakMap<StepTexts, ShownStep>()

export function shownStep(texts: StepTexts): ShownStep {
  let step = shown.get(texts)
  if (step === undefined) {
    const shape = texts.shape === null ? undefined : readShape(texts.shape)
    const chord = readSymbol(texts.chord)
    step = {
      id: texts.id,
      chord: chord.ok ? chord.value : undefined,
      shape: shape?.ok ? shape.value : undefined,
      texts,
    }
    shown.set(texts, step)
  }
  return step
}

/** As this player writes it; a chord that can't be read, as it is kept. */
export function stepSymbol(step: StepTexts): string {
  const { chord } = shownStep(step)
  return chord ? writeSymbol(chord, $style.get()) : step.chord
}
