/**
 * The one verdict on a shape, from its fingering: reach, fingers and words all say this.
 *   Frets + Fingering + HandProfile ─handVerdict→ easy, a stretch or beyond, with what decides
 */

import { fingertipMm, type Neck } from '../neck/index.ts'
import { requireAt } from '../result/index.ts'
import type { Frets } from '../voicing/index.ts'
import { type HandOnNeck, handOn } from './bestFingering.ts'
import { type FingeringOptions, fingeringsOf, pairReachMm } from './fingering.ts'
import { pairEaseMm, reachMm, scaledHand } from './profile.ts'
import type { Finger, Fingering, HandProfile } from './types.ts'

/** What decides: the whole reach, two fingers, or their number. Lengths in mm along the neck. */
export type HandLimit =
  | { readonly kind: 'reach'; readonly mm: number; readonly limitMm: number }
  | {
      readonly kind: 'pair'
      readonly fingers: readonly [Finger, Finger]
      readonly mm: number
      readonly limitMm: number
    }
  | { readonly kind: 'fingers' }

export type HandVerdict =
  | { readonly kind: 'easy'; readonly mm: number; readonly limitMm: number }
  | { readonly kind: 'stretch' | 'beyond'; readonly mm: number; readonly limit: HandLimit }

/** @param fingering How the shape is held; `undefined` when it can't be. */
export function handVerdict(
  frets: Frets,
  neck: Neck,
  profile: HandProfile,
  fingering: Fingering | undefined,
  options: FingeringOptions = {},
): HandVerdict {
  const mm = reachMm(neck, frets)
  if (fingering === undefined) return { kind: 'beyond', mm, limit: refusal(frets, neck, profile, options) }
  const limit = tightest(frets, neck, profile, fingering)
  return limit === undefined ? { kind: 'easy', mm, limitMm: profile.comfortableMm } : { kind: 'stretch', mm, limit }
}

interface Pressed {
  readonly finger: Finger
  readonly fret: number
}

/** Index to little, each with its fret; the thumb apart. */
function dealtIn({ fingers }: Fingering, frets: Frets): readonly Pressed[] {
  const dealt = new Map<Finger, number>()
  for (const [string, finger] of fingers.entries())
    if (finger !== null && finger !== 'T') dealt.set(finger, frets[string] as number)
  return [...dealt].map(([finger, fret]) => ({ finger, fret })).sort((a, b) => Number(a.finger) - Number(b.finger))
}

type PairLimit = Extract<HandLimit, { kind: 'pair' }>

/** Fingers that follow one another, each pair with what a hand allows it. */
function pairsIn(
  dealt: readonly Pressed[],
  neck: Neck,
  allowed: (a: Finger, b: Finger) => number,
): readonly PairLimit[] {
  const tip = (fret: number) => fingertipMm(neck.scaleLengthMm, fret)
  return dealt.slice(1).map((later, index): PairLimit => {
    const before = requireAt(dealt, index)
    const fingers = [before.finger, later.finger] as const
    return { kind: 'pair', fingers, mm: Math.abs(tip(later.fret) - tip(before.fret)), limitMm: allowed(...fingers) }
  })
}

/** What goes furthest beyond its ease, if anything does. */
function tightest(frets: Frets, neck: Neck, profile: HandProfile, fingering: Fingering): HandLimit | undefined {
  const reach: HandLimit = { kind: 'reach', mm: reachMm(neck, frets), limitMm: profile.comfortableMm }
  const pairs = pairsIn(dealtIn(fingering, frets), neck, (a, b) => pairEaseMm(profile, a, b))
  return [reach, ...pairs]
    .filter(({ mm, limitMm }) => mm > limitMm)
    .sort((a, b) => b.mm / b.limitMm - a.mm / a.limitMm)[0]
}

/** A hand that reaches everywhere: what it can't hold needs more than four fingers. */
const ENDLESS = scaledHand(1000, 'endless')
const endless = new WeakMap<Neck, Map<boolean, HandOnNeck>>()

function endlessHandOn(neck: Neck, options: FingeringOptions): HandOnNeck {
  const { thumb = false } = options
  const hands = endless.get(neck) ?? new Map<boolean, HandOnNeck>()
  endless.set(neck, hands)
  const hand = hands.get(thumb) ?? handOn(neck, ENDLESS, { thumb })
  hands.set(thumb, hand)
  return hand
}

/** Why there is no fingering: the reach, two fingers that would stand too far apart, or too many notes. */
function refusal(frets: Frets, neck: Neck, profile: HandProfile, options: FingeringOptions): HandLimit {
  if (!endlessHandOn(neck, options).canHold(frets)) return { kind: 'fingers' }
  const mm = reachMm(neck, frets)
  if (mm > profile.stretchMm) return { kind: 'reach', mm, limitMm: profile.stretchMm }
  const anyhow = fingeringsOf(neck, frets, ENDLESS, options)
  // The way that comes nearest to holding it, and the pair that it fails by.
  const worst = anyhow.map((fingering) => {
    const pairs = pairsIn(dealtIn(fingering, frets), neck, (a, b) => pairReachMm(profile, a, b))
    return [...pairs].sort((a, b) => b.mm / b.limitMm - a.mm / a.limitMm)[0]
  })
  const nearest = worst.filter((pair) => pair !== undefined).sort((a, b) => a.mm / a.limitMm - b.mm / b.limitMm)[0]
  return nearest ?? { kind: 'fingers' }
}
