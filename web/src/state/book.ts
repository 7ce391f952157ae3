/** Keeping shapes: every change lands in the database at once, and can be taken back. */
import { writeSymbol } from '@nestling/core/chord'
import { neckFor, readShape, type Shape, writeShape } from '@nestling/core/shape'
import { type Voicing, voicingOf } from '@nestling/core/voicing'
import type { KeptShape, KeptShapeDraft } from '../contracts/shape.ts'
import { call, type Reply } from './http.ts'
import { tell } from './notices.ts'
import { $session } from './session.ts'

export const keepShape = (draft: KeptShapeDraft): Promise<Reply<KeptShape>> => call('POST', '/api/shapes', draft)
export const renameShape = (shape: KeptShape, name: string): Promise<Reply<KeptShape>> =>
  call('PATCH', `/api/shapes/${shape.id}`, { name, version: shape.version })
export const deleteShape = (id: number): Promise<Reply<undefined>> => call('DELETE', `/api/shapes/${id}`)
export const restoreShape = (id: number): Promise<Reply<KeptShape>> => call('POST', `/api/shapes/${id}/restore`)

/** Keeps a shape under its symbol and frets, and says so. */
export async function keepAs(shape: Shape): Promise<void> {
  const { naming, symbols } = $session.get().settings
  const texts = writeShape(shape)
  const name = `${writeSymbol(shape.chord, { naming, school: symbols })} ${texts.frets}`
  const reply = await keepShape({ ...texts, name, note: '' })
  if (reply.ok) tell.done(`Kept in the Book: ${reply.value.name}`)
  else tell.problem('Not kept', reply.message)
}

/** A kept shape as music; `undefined` when its texts can't be read, without a voicing when it does not sound its chord. */
export function shownShape(
  kept: KeptShape,
): { readonly shape: Shape; readonly voicing: Voicing | undefined } | undefined {
  const read = readShape(kept)
  if (!read.ok) return undefined
  const shape = read.value
  return { shape, voicing: voicingOf(shape.chord, shape.frets, neckFor(shape)) }
}
