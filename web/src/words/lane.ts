/** Lanes in words. */
import type { BetweenReason, Depth, DepthSchool, KeyFunction, LeftTone, StandInKind } from '@nestling/core/key'
import { type LaneAsk, type LaneGap, writeOrder } from '@nestling/core/lane'
import { stringNumber } from '@nestling/core/neck'
import { degreeSign } from './degrees.ts'

export const GAP_WORDS: Readonly<Record<LaneGap, string>> = {
  reach: 'wider than this hand opens',
  crowded: 'no room for the fingertips side by side',
  past: 'past the last fret',
  octave: 'past the twelve frets',
  'no-tone': 'no such tone here',
  strings: 'more tones than strings',
}
export const gapWords = (gap: LaneGap): string => GAP_WORDS[gap]

export const SCHOOL_WORDS: Readonly<Record<DepthSchool, string>> = { honest: 'honest', plain: 'kept plain' }
export const FUNCTION_WORDS: Readonly<Record<KeyFunction, string>> = {
  tonic: 'tonic',
  subdominant: 'subdominant',
  dominant: 'dominant',
}
export const DEPTH_WORDS: Readonly<Record<Depth, string>> = {
  triads: 'triads',
  sevenths: 'sevenths',
  ninths: 'ninths',
  elevenths: 'elevenths',
  thirteenths: 'thirteenths',
}
export const STAND_IN_WORDS: Readonly<Record<StandInKind, string>> = {
  longer: 'a third more',
  shorter: 'a third less',
  up: 'a third up',
  down: 'a third down',
  same: 'same tones',
}

export const BETWEEN_WORDS: Readonly<Record<BetweenReason, string>> = {
  leading: 'its leading tone, diminished',
  dominant: 'its dominant',
  tritone: 'the dominant’s partner a tritone away',
  two: 'the second step of its key',
  raised: 'the dominant before it, its root raised',
  chromatic: 'the semitone between the roots',
  sus: 'its dominant, the third held back',
  step: 'the step between',
}

/** "♭9 left away: a semitone above R". */
export const leftWords = (left: readonly LeftTone[]): string =>
  left
    .map(({ degree, above }) =>
      above === 'ninth'
        ? `${degreeSign(degree)} left with it`
        : `${degreeSign(degree)} left away, a semitone above ${degreeSign(above)}`,
    )
    .join('; ')

/** "root on string 6", "R 5 7 3 on 5 4 3 2", "R on 5, 5 on 4, 3 on 2, 3 and 1 ringing". */
export function askWords(ask: LaneAsk, strings: number): string {
  const numbers = (list: readonly number[]) => list.map((index) => stringNumber(index, strings))
  switch (ask.kind) {
    case 'root':
      return `root on string ${stringNumber(ask.string, strings)}`
    case 'turns':
      return `roots on ${numbers(ask.strings).join(' and ')} in turn`
    case 'order':
      return `${writeOrder(ask.order).replaceAll('-', ' ')} on ${numbers(ask.strings).join(' ')}${(ask.forms ?? 1) > 1 ? ' with its inversions' : ''}`
    case 'tones': {
      const tones = ask.tones.map(
        ({ number, string }) => `${number === 1 ? 'R' : number} on ${stringNumber(string, strings)}`,
      )
      const ring = ask.ring.length === 0 ? '' : `, ${numbers(ask.ring).join(' and ')} ringing`
      return `${tones.join(', ')}${ring}`
    }
  }
}

/** A chord symbol for which a column of ordinary names is too narrow. */
export const isLong = (symbol: string): boolean => symbol.length > 9
