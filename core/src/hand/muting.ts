/**
 * Strings that must not sound: which finger damps them, which simply are not plucked, and what would leak.
 *
 * A stopping finger damps its two neighbours: the flat of it lies over the next thinner string, its tip touches the
 * next thicker one. A flat barre stops the strings beneath it instead of damping them.
 */

import { type Neck, type PluckStyle, soundingMidi } from '../neck/index.ts'
import { requireAt } from '../result/index.ts'
import type { Frets } from '../voicing/index.ts'
import type { Finger, Fingering } from './types.ts'

export type SilentString = {
  readonly string: number
  /** MIDI of what would ring if it were struck: the open string, or the barre's note. */
  readonly wouldSound: number
} & (
  | { readonly kind: 'damped'; readonly by: Finger; readonly how: 'tip' | 'flat' }
  | { readonly kind: 'not-plucked' }
  /** Between sounding strings, struck by a pick, and no finger near: it will be heard. */
  | { readonly kind: 'leaks' }
)

export function silentStrings(
  neck: Neck,
  frets: Frets,
  fingering: Fingering,
  pluck: PluckStyle,
): readonly SilentString[] {
  let lowest = -1
  let highest = -1
  for (const [string, fret] of frets.entries())
    if (fret !== null) {
      if (lowest < 0) lowest = string
      highest = string
    }
  const silent: SilentString[] = []
  for (const [string, fret] of frets.entries()) {
    if (fret !== null) continue
    const barre = fingering.barres.find((flat) => string >= flat.from && string <= flat.to)
    const wouldSound = soundingMidi(neck, string, barre?.fret ?? 0)
    const below = fingering.fingers[string - 1]
    const above = fingering.fingers[string + 1]
    const inside = string > lowest && string < highest
    if (barre === undefined && below !== null && below !== undefined && below !== 'T')
      silent.push({ string, wouldSound, kind: 'damped', by: below, how: 'flat' })
    else if (barre === undefined && above !== null && above !== undefined)
      silent.push({ string, wouldSound, kind: 'damped', by: above, how: 'tip' })
    else silent.push({ string, wouldSound, kind: inside && pluck === 'pick' ? 'leaks' : 'not-plucked' })
  }
  return silent
}

export type Plucker = 'p' | 'i' | 'm' | 'a'

/**
 * Right-hand letters for a plucked chord, one entry per string: thumb on the lowest sounding strings, index, middle
 * and ring on the upper ones. With five strings or more the thumb brushes what lies below the upper three.
 */
export function pluckersOf(frets: Frets): readonly (Plucker | null)[] {
  const sounding = frets.flatMap((fret, index) => (fret === null ? [] : [index]))
  const upper: readonly Plucker[] = ['i', 'm', 'a']
  const thumbs = Math.max(1, sounding.length - 3)
  return frets.map((fret, index) => {
    if (fret === null) return null
    const rank = sounding.indexOf(index)
    return rank < thumbs ? 'p' : requireAt(upper, rank - thumbs)
  })
}
