/** Paths in words. */
import type { PathGapReason, PathWeights } from '@nestling/core/path'

export const GAP_REASONS: Readonly<Record<PathGapReason, string>> = {
  'no-shape': 'has no shape in these frets, on these strings: widen the frets or take more string sets',
  melody: 'has no shape with that tone on top: let the melody go here',
  bass: 'lies in the bass player’s range on these strings: take higher strings or frets',
  hand: 'has shapes that this hand can’t hold: widen the frets or take fewer strings',
  'not-it': 'is held as a shape of another chord: let it go',
  outside: 'is held outside the frets that are asked; it is kept',
}

/** What each weight is counted by. */
export const WEIGHT_WORDS: Readonly<Record<keyof PathWeights, readonly [string, string]>> = {
  taste: ['grips', 'a point'],
  hand: ['hand', 'a mm'],
  far: ['leaps', '25 mm past 100'],
  voices: ['voices', 'a semitone'],
  top: ['top voice', 'past a third'],
  bass: ['bass', 'past a fifth'],
  same: ['a chord that moves', ''],
  stays: ['a tone that stays', ''],
  slides: ['a finger that stays', ''],
}
