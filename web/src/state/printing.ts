/** Printing: what a page draws for paper only is drawn first. */

type Maker = () => Promise<unknown>
const makers = new Set<Maker>()

/** @returns How it is no longer asked. */
export function beforePrint(make: Maker): () => void {
  makers.add(make)
  return () => void makers.delete(make)
}

/** What can't be drawn is left out; the page is printed all the same. */
export async function printPage(): Promise<void> {
  await Promise.allSettled([...makers].map((make) => make()))
  window.print()
}

/** The browser's own key for it waits for that too. */
export function onPrintKey(event: KeyboardEvent): void {
  const isPrint =
    (event.ctrlKey || event.metaKey) && !event.shiftKey && !event.altKey && event.key.toLowerCase() === 'p'
  if (!isPrint || makers.size === 0) return
  event.preventDefault()
  void printPage()
}
