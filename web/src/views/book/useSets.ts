import { createElement, useState } from 'react'
import type { KeptSet } from '../../contracts/tray.ts'
import { UndoNotice } from '../../shell/UndoNotice.tsx'
import { tell } from '../../state/notices.ts'
import { deleteSet, replaceTray, restoreSet } from '../../state/tray.ts'

export interface Sets {
  readonly sets: readonly KeptSet[]
  readonly remove: (set: KeptSet) => Promise<void>
  readonly toTray: (set: KeptSet) => void
}

/** The kept sets as the page holds them; the server's answer decides, and every refusal is told. */
export function useSets(initial: readonly KeptSet[]): Sets {
  const [sets, setSets] = useState(initial)
  const restore = async (set: KeptSet) => {
    const answer = await restoreSet(set.id)
    if (!answer.ok) return tell.problem('Not brought back', answer.message)
    return setSets((before) => [...before, answer.value].sort((a, b) => b.createdAt.localeCompare(a.createdAt)))
  }
  return {
    sets,
    async remove(set) {
      const answer = await deleteSet(set.id)
      if (!answer.ok) {
        tell.problem('Not deleted', answer.message)
        return
      }
      setSets((before) => before.filter((other) => other.id !== set.id))
      const id = `deleted-set-${set.id}`
      const undo = () => {
        tell.hide(id)
        void restore(set)
      }
      tell.done(createElement(UndoNotice, { words: `Deleted: ${set.name}`, undo }), id)
    },
    toTray(set) {
      void replaceTray(set.shapes, set.name)
      tell.done(`In the tray: ${set.name}`)
    },
  }
}
