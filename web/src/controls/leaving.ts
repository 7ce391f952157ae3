/**
 * A line is finished with Enter or left with Escape: the keyboard then rests right behind its field, where the keys of the
 * page work and Tab goes on to what follows. Whether what stands in it was finished tells if what is wrong with it is said at once.
 */
import { atom } from 'nanostores'

/** What is wrong is an alert then; while somebody types it is only shown. */
export const $finished = atom(false)

export function leaveField(field: HTMLElement): void {
  const rest = field.parentElement?.querySelector<HTMLElement>('[data-rest]')
  if (rest) rest.focus()
  else field.blur()
}

/** What the keys of such a field do. */
export function leavesOn({ key, currentTarget }: { readonly key: string; readonly currentTarget: HTMLElement }): void {
  if (key !== 'Enter' && key !== 'Escape') return
  $finished.set(key === 'Enter')
  leaveField(currentTarget)
}
