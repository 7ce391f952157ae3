/** Quiet words at the edge of the page. */
import { notifications } from '@mantine/notifications'
import type { ReactNode } from 'react'

const CLOSE = { 'aria-label': 'Close' }

export const tell = {
  done: (message: ReactNode, id?: string) =>
    notifications.show({
      message,
      color: 'sage',
      closeButtonProps: CLOSE,
      withBorder: true,
      ...(id === undefined ? {} : { id }),
    }),
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
