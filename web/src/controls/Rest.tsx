/**
 * Where the keyboard rests once the field beside it was left. It has a name only while it has the focus: it stands inside the
 * field's label, and would be read as a part of it.
 */
import type { FocusEvent } from 'react'

const named = ({ currentTarget }: FocusEvent<HTMLElement>): void => {
  currentTarget.setAttribute('role', 'note')
  currentTarget.setAttribute('aria-label', 'The line is done; keys are the page’s')
}
const unnamed = ({ currentTarget }: FocusEvent<HTMLElement>): void => {
  currentTarget.removeAttribute('role')
  currentTarget.removeAttribute('aria-label')
}

export const Rest = () => <span tabIndex={-1} data-rest className="rest" onFocus={named} onBlur={unnamed} />
