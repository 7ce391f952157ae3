/** Whether the list of keys is open: the key `?` and every view's act line open it. */
import { atom } from 'nanostores'

export const $keysOpen = atom(false)
export const openKeys = (): void => $keysOpen.set(true)
export const closeKeys = (): void => $keysOpen.set(false)
