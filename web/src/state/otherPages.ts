/** Other open pages of this browser: what one of them has kept, all of them show. */
type Kept = 'session' | 'tray' | 'book' | 'later'
interface Message {
  readonly kind: Kept
  readonly value: unknown
}

let channel: BroadcastChannel | undefined

/** The server draws pages too, and talks to none; a browser without such channels shows what it is asked for. */
function openChannel(): BroadcastChannel | undefined {
  if (typeof window === 'undefined' || typeof BroadcastChannel === 'undefined') return undefined
  channel ??= new BroadcastChannel('nestling')
  return channel
}

export function tellOthers(kind: Kept, value: unknown): void {
  openChannel()?.postMessage({ kind, value } satisfies Message)
}

/** All pages run the same program, so what arrives is what `tellOthers` was given there. @returns Hears no longer. */
export function hearOthers<Value>(kind: Kept, take: (value: Value) => void): () => void {
  const hear = ({ data }: MessageEvent<Message>) => {
    if (data.kind === kind) take(data.value as Value)
  }
  const open = openChannel()
  open?.addEventListener('message', hear)
  return () => open?.removeEventListener('message', hear)
}
