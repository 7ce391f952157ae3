/** Keeping shapes: every change lands in the database at once, and can be taken back. */
import type { KeptShape, KeptShapeDraft } from '../contracts/keptShape.ts'
import { type Answer, call } from './http.ts'

export const keepShape = (draft: KeptShapeDraft): Promise<Answer<KeptShape>> => call('POST', '/api/shapes', draft)
export const renameShape = (shape: KeptShape, name: string): Promise<Answer<KeptShape>> =>
  call('PATCH', `/api/shapes/${shape.id}`, { name, version: shape.version })
export const deleteShape = (id: number): Promise<Answer<undefined>> => call('DELETE', `/api/shapes/${id}`)
export const restoreShape = (id: number): Promise<Answer<KeptShape>> => call('POST', `/api/shapes/${id}/restore`)
