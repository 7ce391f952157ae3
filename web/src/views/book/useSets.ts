import { createElement, useState } from 'react'
import type { KeptSet } from '../../contracts/progression.ts'
import { UndoNotice } from '../../controls/UndoNotice.tsx'
import { tell } from '../../state/notices.ts'
import { deleteSet, replaceTray, restoreSet } from '../../state/tray.ts'

export interface Sets {
  readonly sets: readonly KeptSet[]
  readonly remove: (set: KeptSet) => Promise<void>
  readonly toTray: (set: KeptSet) => void
}

/** The kept sets as the page holds them; the server's reply decides, and every refusal is told. */
export function useSets(initial: readonly KeptSet[]): Sets {
  const [sets, setSets] = useState(initial)
  const restore = async (set: KeptSet) => {
    const reply = await restoreSet(set.id)
    if (!reply.ok) return tell.problem('Not brought back', reply.message)
    return setSets((before) => [...before, reply.value].sort((a, b) => b.createdAt.localeCompare(a.createdAt)))
  }
  return {
    sets,
    async remove(set) {
      const reply = await deleteSet(set.id)
      if (!reply.ok) {
        tell.problem('Not deleted', reply.message)
        return
      }
      setSets((before) => before.filter((other) => other.id !== set.id))
      const id = `deleted-set-${set.id}`
      const undo = () => {
        tell.hide(id)
        void restore(set)
      }
      tell.done(createElement(UndoNotice, { words: `Deleted: ${set.title}`, undo }), id)
    },
    toTray(set) {
      void replaceTray(set)
      tell.done(`In the tray: ${set.title}`)
    },
  }
}
