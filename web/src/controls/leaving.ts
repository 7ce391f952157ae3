/**
 * A line is finished with Enter or left with Escape: the keyboard then rests right behind its field, where the keys of the
 * page work and Tab goes on to what follows. Whether what stands in it was finished tells if what is wrong with it is said at once.
 */
import { atom } from 'nanostores'

/** What is wrong is an alert then; while somebody types it is only shown. */
export const $finished = atom(false)

export function leaveField(field: HTMLElement): void {
  const rest = field.parentElement?.querySelector<HTMLElement>('[data-rest]')
  if (!rest) {
    field.blur()
    return
  }
  // A name only while it has the focus: it stands inside the field's label, and would be read as a part of it.
  rest.setAttribute('role', 'note')
  rest.setAttribute('aria-label', 'The line is done; keys are the page’s')
  rest.addEventListener('blur', unnamed, { once: true })
  rest.focus()
}

function unnamed({ currentTarget }: FocusEvent): void {
  if (!(currentTarget instanceof HTMLElement)) return
  currentTarget.removeAttribute('role')
  currentTarget.removeAttribute('aria-label')
}

/** What the keys of such a field do. */
export function leavesOn({ key, currentTarget }: { readonly key: string; readonly currentTarget: HTMLElement }): void {
  if (key !== 'Enter' && key !== 'Escape') return
  $finished.set(key === 'Enter')
  leaveField(currentTarget)
}
