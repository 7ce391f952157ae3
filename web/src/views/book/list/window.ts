/** The frets that shapes lie in. */
import { fretsIn } from '../../../state/links.ts'

const WIDEST = 9
const FEWEST = 5

export interface FretWindow {
  readonly from: number
  readonly to: number
}

/** `undefined` where they lie too far apart to share one window. */
export function windowOf(texts: readonly string[]): FretWindow | undefined {
  const pressed = texts.flatMap((text) => {
    return (fretsIn(text) ?? []).filter((fret): fret is number => fret !== null && fret > 0)
  })
  if (pressed.length === 0) return undefined
  const [low, high] = [Math.min(...pressed), Math.max(...pressed)]
  const from = high <= FEWEST ? 1 : low
  const to = Math.max(high, from + FEWEST - 1)
  return to - from < WIDEST ? { from, to } : undefined
}
