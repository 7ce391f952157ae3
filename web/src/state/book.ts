/** Keeping shapes: every change lands in the database at once, and can be taken back. */
import { writeSymbol } from '@nestling/core/chord'
import type { Neck } from '@nestling/core/neck'
import { neckFor, readShape, type Shape, soundedOn, writeShape } from '@nestling/core/shape'
import type { Voicing } from '@nestling/core/voicing'
import type { DeletedThing, ShapeHistory, UnreadableRow } from '../contracts/book.ts'
import type {
  BookAsk,
  BookShapes,
  KeptShape,
  KeptShapeAnswer,
  KeptShapeDraft,
  ShapesChange,
} from '../contracts/shape.ts'
import { did } from './deeds.ts'
import { call, type Reply } from './http.ts'
import { tell } from './notices.ts'
import { keepOrWait } from './outbox.ts'
import { $session, type Session } from './session.ts'

type Draft = Omit<KeptShapeDraft, 'tune' | 'tags'> & Partial<Pick<KeptShapeDraft, 'tune' | 'tags'>>
export type ShapeChange = Partial<Pick<KeptShape, 'name' | 'note' | 'tune' | 'tags'>>

/** Keeps a shape; while the server is away it waits in the browser, which the reply then says. */
export const keepShape = (draft: Draft): Promise<Reply<KeptShapeAnswer>> =>
  keepOrWait({
    method: 'POST',
    path: '/api/shapes',
    body: draft,
    name: draft.name,
    list: `/api/shapes?${fieldsOf({ find: draft.name, by: 'newest', limit: 20 })}`,
  })
export const changeShape = (
  { id, version }: Pick<KeptShape, 'id' | 'version'>,
  change: ShapeChange,
): Promise<Reply<KeptShape>> => call('PATCH', `/api/shapes/${id}`, { ...change, version })
/** Deletions tell the version that was seen: what another page has changed since is not deleted unseen. */
export const deleteShape = ({ id, version }: Pick<KeptShape, 'id' | 'version'>): Promise<Reply<undefined>> =>
  call('DELETE', `/api/shapes/${id}?version=${version}`)
export const deletedThings = (): Promise<Reply<{ readonly deleted: readonly DeletedThing[] }>> =>
  call('GET', '/api/deleted')
export const restoreThing = ({ kind, id }: DeletedThing): Promise<Reply<unknown>> =>
  call('POST', `/api/${kind}s/${id}/restore`)
export const unreadableRows = (): Promise<Reply<{ readonly unreadable: readonly UnreadableRow[] }>> =>
  call('GET', '/api/unreadable')
export const unreadableFile = ({ id }: UnreadableRow): string => `/api/unreadable/${id}`
export const deleteUnreadable = ({ id }: UnreadableRow): Promise<Reply<undefined>> =>
  call('DELETE', `/api/unreadable/${id}`)
export const historyOf = (id: number): Promise<Reply<ShapeHistory>> => call('GET', `/api/shapes/${id}/history`)

/** What many shapes became; `undo` takes it back. */
export interface ManyChanged {
  readonly changed: number
  readonly undo?: number
}
export const changeShapes = (
  change: Omit<ShapesChange, 'ids' | 'all'> & { readonly ids?: readonly number[]; readonly all?: Partial<BookAsk> },
): Promise<Reply<ManyChanged>> => call('POST', '/api/shapes/many', change)

/** An address's fields: what is not asked is left out. */
const fieldsOf = (fields: Readonly<Record<string, string | number | undefined>>): string =>
  new URLSearchParams(
    Object.entries(fields).flatMap(([name, value]) =>
      value === undefined || value === '' ? [] : [[name, String(value)]],
    ),
  ).toString()

/** Where a window of the Book's shapes is asked for. */
export const shapesAddress = (ask: BookAsk, from: number, limit: number): string =>
  `/api/shapes?${fieldsOf({ ...ask, from, limit })}`
export const shapesIn = (ask: BookAsk, from: number, limit: number): Promise<Reply<BookShapes>> =>
  call('GET', shapesAddress(ask, from, limit))

/** Keeps a shape under its symbol and frets, and says so; the same shape that is there already is told. */
export async function keepAs(shape: Shape): Promise<void> {
  const { naming, symbols } = $session.get().settings
  const texts = writeShape(shape)
  const name = `${writeSymbol(shape.chord, { naming, school: symbols })} ${texts.frets}`
  const reply = await keepShape({ ...texts, name, note: '' })
  if (!reply.ok) {
    if (reply.waits) tell.waits('The shape waits', reply.message)
    else tell.problem('Not kept', reply.message)
    return
  }
  const [twin] = reply.value.same
  const { id, version, name: kept } = reply.value
  did(`Saved to Book: ${kept}${twin ? `. The same shape is there already, as ${twin.name}` : ''}`, {
    method: 'DELETE',
    path: `/api/shapes/${id}?version=${version}`,
  })
}

/** A kept shape as music, on the player's own neck where it sounds its chord there; without a voicing where it does so nowhere. */
export function shownShape(
  kept: Pick<KeptShape, 'chord' | 'frets' | 'tuning' | 'fingers'>,
  { instrument, instruments }: Pick<Session, 'instrument' | 'instruments'> = $session.get(),
): { readonly shape: Shape; readonly neck: Neck; readonly voicing: Voicing | undefined } | undefined {
  const read = readShape(kept)
  if (!read.ok) return undefined
  const shape = read.value
  const sounded = soundedOn(shape, [instrument, ...instruments])
  return { shape, neck: sounded?.neck ?? neckFor(shape, instrument), voicing: sounded?.voicing }
}
