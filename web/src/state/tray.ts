/** The tray: shapes collected while working. A change shows at once and lands in the database; a refusal brings back what is there. */
import { atom } from 'nanostores'
import { EMPTY_TRAY, type KeptSet, MOST_IN_TRAY, type Tray, type TrayShape } from '../contracts/tray.ts'
import { type Answer, call } from './http.ts'
import { tell } from './notices.ts'
import { hearOthers, tellOthers } from './otherPages.ts'

export const $tray = atom<Tray>(EMPTY_TRAY)
/** Whether the last change has landed. */
export const $trayKept = atom<'kept' | 'keeping' | 'not kept'>('kept')
// What is being kept here comes first: the server then tells whether the two agree.
hearOthers<Tray>('tray', (tray) => {
  if ($trayKept.get() !== 'keeping') $tray.set(tray)
})

let queue: Promise<void> = Promise.resolve()

/** Changes are sent one after another, each over the version that the one before has made. */
function change(to: (tray: Tray) => Omit<Tray, 'version'>): Promise<void> {
  const shown = $tray.get()
  $tray.set({ ...to(shown), version: shown.version })
  $trayKept.set('keeping')
  queue = queue.then(async () => {
    const wanted = $tray.get()
    const answer = await call<Tray>('PUT', '/api/tray', wanted)
    if (answer.ok) {
      // What was changed meanwhile stays; only the version is the server's.
      $tray.set({ ...$tray.get(), version: answer.value.version })
      $trayKept.set('kept')
      tellOthers('tray', $tray.get())
      return
    }
    $trayKept.set('not kept')
    tell.problem('The tray is not kept', answer.message)
    if (answer.status !== 409) return
    const there = await call<Tray>('GET', '/api/tray')
    if (there.ok) $tray.set(there.value)
  })
  return queue
}

export function addToTray(shape: Omit<TrayShape, 'id'>): Promise<void> {
  if ($tray.get().shapes.length >= MOST_IN_TRAY) {
    tell.problem('The tray is full', `It holds ${MOST_IN_TRAY} shapes. Keep it to the Book, or take some out.`)
    return Promise.resolve()
  }
  const id = `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 8)}`
  return change((tray) => ({ ...tray, shapes: [...tray.shapes, { ...shape, id }] }))
}

export const replaceTray = (shapes: readonly TrayShape[], name: string): Promise<void> =>
  change(() => ({ name, shapes: [...shapes] }))

export const moveInTray = (from: number, to: number): Promise<void> =>
  change((tray) => {
    const shapes = [...tray.shapes]
    const [moved] = shapes.splice(from, 1)
    if (moved) shapes.splice(to, 0, moved)
    return { ...tray, shapes }
  })

export const removeFromTray = (id: string): Promise<void> =>
  change((tray) => ({ ...tray, shapes: tray.shapes.filter((shape) => shape.id !== id) }))

export const nameTray = (name: string): Promise<void> => change((tray) => ({ ...tray, name }))

/** Keeps the tray as a set in the Book. */
export const keepTray = (name: string): Promise<Answer<KeptSet>> =>
  call('POST', '/api/sets', { name, shapes: $tray.get().shapes })

export const deleteSet = (id: number): Promise<Answer<undefined>> => call('DELETE', `/api/sets/${id}`)
export const restoreSet = (id: number): Promise<Answer<KeptSet>> => call('POST', `/api/sets/${id}/restore`)
