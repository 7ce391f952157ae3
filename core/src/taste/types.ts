/** How a player plays: the manner decides strings, voices and open strings, the ensemble decides the bass. */
import type { OpenStrings } from '../voicing/index.ts'

export const MANNERS = ['open', 'barre', 'comp', 'bossa', 'funk', 'blues', 'solo'] as const
export type Manner = (typeof MANNERS)[number]

/** Alone, the lowest tone is heard as the bass; with a bass player the root may stay silent. */
export const ENSEMBLES = ['alone', 'bass-player'] as const
export type Ensemble = (typeof ENSEMBLES)[number]

export interface TasteContext {
  /** A blues at the nut is strummed like any other song there. */
  readonly open: OpenStrings
  readonly manner: Manner
  readonly ensemble: Ensemble
  /** Asked for, or written after a slash: no other bass is wanted, and none is more usual. */
  readonly bassAsked: boolean
}

/** What several manners share. */
export type TasteGroup = 'strum' | 'free' | 'top' | 'band' | 'barre'

/** One thing that is looked at in a shape, as a number. */
export const TASTE_TERMS = [
  'easy',
  'stretch',
  'noFifth',
  'noNinth',
  'noRoot',
  'undefined',
  'fifthInBass',
  'thirdInBass',
  'seventhInBass',
  'tensionInBass',
  'silentInside',
  'bassApart',
  'thinSilent',
  'dark',
  'openRings',
  'openFar',
  'openAmid',
  'upTheNeck',
  'few',
  'many',
  'highBass',
  'sixthString',
  'doubledThird',
  'doubledTension',
  'doubled',
  'waste',
  'unison',
  'muddy',
  'tensionUnder',
  'fifthOnRoot',
  'uneven',
  'turned',
  'diagonal',
  'bassAgain',
  'fullTriad',
] as const
export type TasteTerm = (typeof TASTE_TERMS)[number]

/** A term with its part of the taste; the parts add up to it. */
export interface TastePart {
  readonly term: TasteTerm
  readonly value: number
}
