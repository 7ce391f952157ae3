/** Quiet words at the edge of the page. */
import { notifications } from '@mantine/notifications'
import type { ReactNode } from 'react'

const CLOSE = { 'aria-label': 'Close' }

/** A plain word gives way to the next one at once: there is room for one. What offers to undo stays. */
let lastWord: string | undefined

function done(message: ReactNode, id?: string): void {
  if (lastWord !== undefined) notifications.hide(lastWord)
  const shown = notifications.show({
    message,
    color: 'sage',
    closeButtonProps: CLOSE,
    withBorder: true,
    ...(id === undefined ? {} : { id }),
  })
  lastWord = typeof message === 'string' ? shown : undefined
}

export const tell = {
  done,
  problem: (title: string, message: string) =>
    notifications.show({
      title,
      message,
      closeButtonProps: CLOSE,
      color: 'red',
      withBorder: true,
      autoClose: 12_000,
      role: 'alert',
    }),
  hide: (id: string) => notifications.hide(id),
}
