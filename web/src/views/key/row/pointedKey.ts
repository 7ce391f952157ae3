/** The key that is pointed at: the chords that it shares with the present one are marked beside the lanes. */
import type { Key } from '@nestling/core/key'
import { atom } from 'nanostores'

export const $pointedKey = atom<Key | undefined>(undefined)

/** What a key's button does so that pointing and tabbing to it both tell what is shared. */
export const pointing = (key: Key) => {
  const leave = () => $pointedKey.get() === key && $pointedKey.set(undefined)
  const enter = () => $pointedKey.set(key)
  return { onPointerEnter: enter, onPointerLeave: leave, onFocus: enter, onBlur: leave }
}
