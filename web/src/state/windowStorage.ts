/** What one window keeps while it lives, over its pages. Without storage (a private window that refuses it) nothing is kept. */
const PREFIX = 'nestling.'

export function inWindow<Value>(key: string): Value | undefined {
  try {
    const text = sessionStorage.getItem(PREFIX + key)
    return text === null ? undefined : (JSON.parse(text) as Value)
  } catch {
    return undefined
  }
}

export function keepInWindow(key: string, value: unknown): void {
  try {
    sessionStorage.setItem(PREFIX + key, JSON.stringify(value))
  } catch {
    // Full or refused: the page works without it.
  }
}
