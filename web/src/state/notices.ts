/** Quiet words at the edge of the page. */
import { notifications } from '@mantine/notifications'
import { createElement } from 'react'
import { ChoiceNotice, UndoNotice } from './UndoNotice.tsx'

const CLOSE = { 'aria-label': 'Close' }

/** A plain word gives way to the next one at once. */
let lastWord: string | undefined
/** What offers to undo waits until it is closed, undone, or until something else can be undone. */
let offer: string | undefined

const hide = (id: string | undefined): void => {
  if (id !== undefined) notifications.hide(id)
}

export const tell = {
  /** Something was done: said politely. */
  done(message: string, id?: string): void {
    hide(lastWord)
    lastWord = notifications.show({
      ...{ message, color: 'sage', role: 'status', closeButtonProps: CLOSE, withBorder: true },
      ...(id === undefined ? {} : { id }),
    })
  },
  /** Something was done that can be taken back from here. */
  undoable(words: string, undo: () => void, id: string): void {
    hide(offer)
    hide(lastWord)
    const message = createElement(UndoNotice, { words, undo })
    offer = notifications.show({
      ...{ message, id, color: 'sage', role: 'status', closeButtonProps: CLOSE, withBorder: true, autoClose: false },
    })
  },
  /** Something waits for the server: one word for all of it, until it is sent. */
  waits(title: string, message: string): void {
    hide('waits')
    tell.problem(title, message, 'waits')
  },
  /** Something that only the player can decide: it waits until it is. */
  choice(words: string, ways: readonly (readonly [name: string, act: () => void])[]): void {
    const id = `choice-${words}`
    const message = createElement(ChoiceNotice, { words, ways, done: () => hide(id) })
    notifications.show({
      message,
      id,
      color: 'sage',
      role: 'alert',
      withBorder: true,
      autoClose: false,
      withCloseButton: false,
    })
  },
  /** What was offered to be undone is undone. */
  settled(): void {
    hide(offer)
    offer = undefined
  },
  problem: (title: string, message: string, id?: string) =>
    notifications.show({
      ...(id === undefined ? {} : { id }),
      title,
      message,
      closeButtonProps: CLOSE,
      color: 'red',
      withBorder: true,
      autoClose: 12_000,
      role: 'alert',
    }),
  hide,
}
