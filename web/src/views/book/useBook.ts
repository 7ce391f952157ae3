import { createElement, useState } from 'react'
import type { KeptShape } from '../../contracts/keptShape.ts'
import { UndoNotice } from '../../shell/UndoNotice.tsx'
import { deleteShape, renameShape, restoreShape } from '../../state/book.ts'
import { tell } from '../../state/notices.ts'

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

/** The kept shapes as the page holds them; the server's answer decides, and every refusal is told. */
export function useBook(initial: readonly KeptShape[], initialTotal: number): Book {
  const [shapes, setShapes] = useState(initial)
  const [total, setTotal] = useState(initialTotal)
  const [find, setFind] = useState('')

  const replace = (shape: KeptShape) =>
    setShapes((before) => [...before.filter((other) => other.id !== shape.id), shape].sort(newestFirst))

  const restore = async (shape: KeptShape) => {
    const answer = await restoreShape(shape.id)
    if (!answer.ok) {
      tell.problem('Not brought back', answer.message)
      return
    }
    replace(answer.value)
    setTotal((count) => count + 1)
  }

  return {
    shapes: shapes.filter((shape) => matches(shape, find)),
    total,
    find,
    setFind,
    async rename(shape, name) {
      const answer = await renameShape(shape, name)
      if (!answer.ok) {
        tell.problem('Not renamed', answer.message)
        return false
      }
      replace(answer.value)
      const renamed = answer.value
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
      const answer = await deleteShape(shape.id)
      if (!answer.ok) {
        tell.problem('Not deleted', answer.message)
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

const plain = (text: string): string => text.toLowerCase().replaceAll('♭', 'b').replaceAll('♯', '#')

const matches = (shape: KeptShape, find: string): boolean =>
  plain(find)
    .split(/\s+/)
    .every((word) => plain(`${shape.name} ${shape.chord} ${shape.shape} ${shape.note}`).includes(word))
