/** What is in hand, as the view says it: for the window's title, and for paper. */
import { atom } from 'nanostores'

export const $title = atom('')
