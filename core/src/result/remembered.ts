/**
 * A reader that reads each text once: what comes in hundreds is often called by few texts.
 * @param read Pure; what it gives is shared by all who ask.
 * @param most When so many texts are known, all are forgotten.
 */
export function remembered<Value>(read: (text: string) => Value, most = 500): (text: string) => Value {
  const known = new Map<string, Value>()
  return (text) => {
    const before = known.get(text)
    if (before !== undefined || known.has(text)) return before as Value
    const value = read(text)
    if (known.size >= most) known.clear()
    known.set(text, value)
    return value
  }
}
