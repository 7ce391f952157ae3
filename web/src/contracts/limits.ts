/** What may be chosen and how much of it, for pages and for the schemas that check it. */

/** Quarter notes in a minute. */
export const SLOWEST = 20
export const FASTEST = 300

/** What stands inside the eggs. */
export const LABELS = ['degree', 'note', 'finger', 'none'] as const

/** Where a single letter, digit or sign is a command: for speech input and unsteady hands they can be bound or switched off. */
export const LETTER_KEYS = ['everywhere', 'neck', 'off'] as const

/** Of the tray, and of a set. */
export const MOST_STEPS = 64
