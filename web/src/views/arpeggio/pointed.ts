/** The tone that is pointed at, by its index in the line: neck, staff and TAB light up together. */
import { atom } from 'nanostores'

export const $pointed = atom<number | undefined>(undefined)
