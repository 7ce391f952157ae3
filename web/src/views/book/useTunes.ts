import { createElement, useState } from 'react'
import type { KeptTune } from '../../contracts/tune.ts'
import { UndoNotice } from '../../controls/UndoNotice.tsx'
import { tell } from '../../state/notices.ts'
import { deleteTune, restoreTune } from '../../state/tunes.ts'

export interface Tunes {
  readonly tunes: readonly KeptTune[]
  readonly remove: (tune: KeptTune) => Promise<void>
}

/** The kept tunes as the page holds them; the server's reply decides, and every refusal is told. */
export function useTunes(initial: readonly KeptTune[]): Tunes {
  const [tunes, setTunes] = useState(initial)
  const restore = async (tune: KeptTune) => {
    const reply = await restoreTune(tune.id)
    if (!reply.ok) return tell.problem('Not brought back', reply.message)
    return setTunes((before) => [...before, reply.value].sort((a, b) => b.createdAt.localeCompare(a.createdAt)))
  }
  return {
    tunes,
    async remove(tune) {
      const reply = await deleteTune(tune.id)
      if (!reply.ok) {
        tell.problem('Not deleted', reply.message)
        return
      }
      setTunes((before) => before.filter((other) => other.id !== tune.id))
      const id = `deleted-tune-${tune.id}`
      const undo = () => {
        tell.hide(id)
        void restore(tune)
      }
      tell.done(createElement(UndoNotice, { words: `Deleted: ${tune.title}`, undo }), id)
    },
  }
}
