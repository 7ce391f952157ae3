/** A name that is changed where it stands: Enter keeps it, Escape leaves the old one. */
import { TextInput } from '@mantine/core'
import { useState } from 'react'
import type { Draft } from './useDraft.ts'

export interface NameFieldProps {
  readonly label: string
  readonly name: string
  /** A name of nothing is one too. */
  readonly mayBeEmpty?: boolean
  readonly placeholder?: string | undefined
  readonly width?: number | undefined
  /** What is typed and not kept yet, where it outlives the page. */
  readonly draft?: Draft | undefined
  /** Given the new name, or `undefined` when the old one stays. */
  readonly done: (name: string | undefined) => unknown
}

const MOST = 60

export function NameField({ label, name, mayBeEmpty = false, placeholder, width, draft, done }: NameFieldProps) {
  const own = useState<string | undefined>(undefined)
  const [typed, setText] = draft ?? own
  const text = typed ?? name
  const problem =
    !mayBeEmpty && text.trim() === ''
      ? 'A name needs a character or more'
      : text.length > MOST
        ? `At most ${MOST} characters`
        : undefined
  const finish = () => done(problem || text.trim() === name ? undefined : text.trim())
  return (
    <TextInput
      size="xs"
      aria-label={label}
      autoFocus
      value={text}
      error={problem}
      {...(placeholder === undefined ? {} : { placeholder })}
      {...(width === undefined ? {} : { w: width })}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        // What gets the focus then is not pressed by the same key.
        if (event.key === 'Enter') event.preventDefault()
        if (event.key === 'Enter' && !problem) event.currentTarget.blur()
        if (event.key === 'Escape') done(undefined)
      }}
    />
  )
}
