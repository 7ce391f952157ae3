/** What this machine's keyboard calls the key of commands. */
export const isMac = typeof navigator !== 'undefined' && /Mac|iPhone|iPad/.test(navigator.userAgent)
export const CONTROL = isMac ? '⌘' : 'Ctrl'
