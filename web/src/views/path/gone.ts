/** The address names a tune that is not in the Book: told, and where it was deleted, offered back. */
import { useEffect } from 'react'
import { addressOfTune } from '../../contracts/tuneAddresses.ts'
import { tell } from '../../state/notices.ts'
import { restoreTune } from '../../state/tunes.ts'

export interface GoneTune {
  readonly id: number
  /** `undefined` where it can't be brought back. */
  readonly title: string | undefined
}

export function useGone(gone: GoneTune | undefined): void {
  useEffect(() => {
    if (!gone) return
    const { id, title } = gone
    if (title === undefined) tell.problem('Not in the Book', `There is no tune ${id} in the Book.`)
    else
      tell.choice(`${title} was deleted from the Book.`, [
        ['Bring it back', () => void bringBack(id)],
        ['Leave it deleted', () => undefined],
      ])
  }, [gone])
}

async function bringBack(id: number): Promise<void> {
  const reply = await restoreTune(id)
  if (reply.ok) window.location.assign(addressOfTune(id))
  else tell.problem('Not brought back', reply.message)
}
