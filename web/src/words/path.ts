/** Paths in words. */
import type { PathGapReason } from '@nestling/core/path'
import type { PathWeights, TuneWishes } from '@nestling/core/tune'

/** Why a chord has none, and what may help; only what is not as free as it can be. */
export function gapReason(
  reason: PathGapReason,
  { fretMin, fretMax, strings, open, school }: TuneWishes,
  lastFret: number,
): string {
  const narrow = fretMin > 1 || fretMax < Math.min(12, lastFret)
  const helps = [
    ...(narrow ? ['widen the frets'] : []),
    ...(strings ? [reason === 'hand' ? 'take fewer strings' : 'take more string sets'] : []),
    ...(reason === 'no-shape' && open === 'never' ? ['let open strings ring'] : []),
    ...(reason === 'no-shape' && school ? ['leave the tones that fall silent to the chord'] : []),
  ]
  const told = GAP_REASONS[reason]
  if (reason !== 'no-shape' && reason !== 'hand') return told
  return helps.length === 0 ? `${told}: write a plainer chord` : `${told}: ${helps.join(' or ')}`
}

const GAP_REASONS: Readonly<Record<PathGapReason, string>> = {
  'no-shape': 'has no shape as it is asked',
  melody: 'has no shape with that tone on top: let the melody go here',
  bass: 'lies in the bass player’s range on these strings: take higher strings or frets',
  hand: 'has shapes that this hand can’t hold',
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
