/**
 * A tune carried from Path to Arpeggio: its chords one after another, each with the line under the hand of its shape.
 *   Path ─keepWalk→ the window's own storage ─walkAt→ Arpeggio, at the chord that it shows
 */
import { inWindow, keepInWindow } from './windowStorage.ts'

export interface WalkChord {
  readonly symbol: string
  /** Where Arpeggio opens with it; `undefined` where the path has no shape. */
  readonly address: string | undefined
}

export interface Walk {
  readonly title: string
  readonly chords: readonly WalkChord[]
  /** The chord that was looked at last. */
  readonly at: number
}

const KEY = 'walk'

export const keepWalk = (walk: Walk): void => keepInWindow(KEY, walk)

/** The walk, while its chord is the one that is shown. */
export function walkAt(symbol: string): Walk | undefined {
  const walk = inWindow<Walk>(KEY)
  return walk && walk.chords.length > 1 && walk.chords[walk.at]?.symbol === symbol ? walk : undefined
}

/** The next chord that has a shape, forwards or back; none at the ends. */
export function walkedTo({ chords, at }: Pick<Walk, 'chords' | 'at'>, by: 1 | -1): number | undefined {
  for (let next = at + by; next >= 0 && next < chords.length; next += by)
    if (chords[next]?.address !== undefined) return next
  return undefined
}
