import { createElement, useState } from 'react'
import type { KeptShape } from '../../contracts/shape.ts'
import { UndoNotice } from '../../controls/UndoNotice.tsx'
import { deleteShape, renameShape, restoreShape } from '../../state/book.ts'
import { tell } from '../../state/notices.ts'
import { matches } from './matches.ts'

export interface Book {
  readonly shapes: readonly KeptShape[]
  readonly total: number
  readonly find: string
  readonly setFind: (text: string) => void
  /** True when it was kept. */
  readonly rename: (shape: KeptShape, name: string) => Promise<boolean>
  readonly remove: (shape: KeptShape) => Promise<void>
}

const newestFirst = (a: KeptShape, b: KeptShape): number => b.createdAt.localeCompare(a.createdAt) || b.id - a.id

/** The kept shapes as the page holds them; the server's reply decides, and every refusal is told. */
export function useBook(initial: readonly KeptShape[], initialTotal: number): Book {
  const [shapes, setShapes] = useState(initial)
  const [total, setTotal] = useState(initialTotal)
  const [find, setFind] = useState('')

  const replace = (shape: KeptShape) =>
    setShapes((before) => [...before.filter((other) => other.id !== shape.id), shape].sort(newestFirst))

  const restore = async (shape: KeptShape) => {
    const reply = await restoreShape(shape.id)
    if (!reply.ok) {
      tell.problem('Not brought back', reply.message)
      return
    }
    replace(reply.value)
    setTotal((count) => count + 1)
  }

  return {
    shapes: shapes.filter((shape) => matches(shape, find)),
    total,
    find,
    setFind,
    async rename(shape, name) {
      const reply = await renameShape(shape, name)
      if (!reply.ok) {
        tell.problem('Not renamed', reply.message)
        return false
      }
      replace(reply.value)
      const renamed = reply.value
      const id = `renamed-${shape.id}-${renamed.version}`
      const undo = async () => {
        tell.hide(id)
        const back = await renameShape(renamed, shape.name)
        if (back.ok) replace(back.value)
        else tell.problem('Not renamed back', back.message)
      }
      tell.done(createElement(UndoNotice, { words: `Renamed: ${renamed.name}`, undo: () => void undo() }), id)
      return true
    },
    async remove(shape) {
      const reply = await deleteShape(shape.id)
      if (!reply.ok) {
        tell.problem('Not deleted', reply.message)
        return
      }
      setShapes((before) => before.filter((other) => other.id !== shape.id))
      setTotal((count) => count - 1)
      const id = `deleted-${shape.id}`
      const undo = () => {
        tell.hide(id)
        void restore(shape)
      }
      tell.done(createElement(UndoNotice, { words: `Deleted: ${shape.name}`, undo }), id)
    },
  }
}
