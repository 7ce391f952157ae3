/** Low intervals that blur, and tones in the bass player's range. */
import type { Midi } from '../pitch/index.ts'

/** Narrow intervals, by the widest of each kind. */
export type NarrowInterval = 'second' | 'minor-third' | 'third-or-fourth' | 'fifth'

/** Up to each interval (semitones), the lowest MIDI at which it is still clear: E3, C3, B♭2, B♭1. */
const CLEAR_ABOVE: readonly { readonly upTo: number; readonly lowest: Midi; readonly interval: NarrowInterval }[] = [
  { upTo: 2, lowest: 52, interval: 'second' },
  { upTo: 3, lowest: 48, interval: 'minor-third' },
  { upTo: 6, lowest: 46, interval: 'third-or-fourth' },
  { upTo: 7, lowest: 34, interval: 'fifth' },
]
/** Below E3 a chord crosses into what a bass player plays. */
export const BASS_RANGE_BELOW: Midi = 52

/** Whether an interval of neighbouring voices lies too low to be clear. @param gap In semitones; 0 is one tone. */
export function isMuddy(low: Midi, gap: number): boolean {
  const limit = gap === 0 ? undefined : limitOf(gap)
  return limit !== undefined && low < limit.lowest
}

const limitOf = (gap: number) => CLEAR_ABOVE.find(({ upTo }) => gap <= upTo)

export type RegisterWarning =
  | {
      readonly kind: 'muddy'
      readonly low: Midi
      readonly high: Midi
      readonly interval: NarrowInterval
      readonly clearFrom: Midi
    }
  | { readonly kind: 'bass-range'; readonly midis: readonly Midi[] }

/**
 * Warnings for sounded pitches, in any order: a narrow interval between neighbouring voices that sits too low to be
 * clear, and, with a bass player, tones below E3.
 */
export function registerWarnings(midis: readonly Midi[], withBassPlayer: boolean): readonly RegisterWarning[] {
  const rising = [...midis].sort((a, b) => a - b)
  const warnings: RegisterWarning[] = []
  for (const [index, high] of rising.entries()) {
    const low = rising[index - 1]
    if (low === undefined || high === low) continue
    const limit = limitOf(high - low)
    if (limit && isMuddy(low, high - low))
      warnings.push({ kind: 'muddy', low, high, interval: limit.interval, clearFrom: limit.lowest })
  }
  const deep = rising.filter((midi) => midi < BASS_RANGE_BELOW)
  if (withBassPlayer && deep.length > 0) warnings.push({ kind: 'bass-range', midis: deep })
  return warnings
}
