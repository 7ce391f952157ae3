/** What each term weighs; lower is better. What several manners share is added where they are meant. */
import type { Ensemble, Manner, TasteGroup, TasteTerm } from './types.ts'

interface Weight {
  readonly base: number
  readonly groups?: Readonly<Partial<Record<TasteGroup, number>>>
}

export const WEIGHTS: Readonly<Record<TasteTerm, Weight>> = {
  easy: { base: 0.6, groups: { strum: -0.3, top: 0.35 } },
  stretch: { base: 1.2 },
  noFifth: { base: 0.75 },
  noNinth: { base: 1.35 },
  noRoot: { base: 12, groups: { band: -10.55 } },
  undefined: { base: 8 },
  fifthInBass: { base: 3.9 },
  thirdInBass: { base: 3.9 },
  seventhInBass: { base: 3.9, groups: { band: -0.85 } },
  tensionInBass: { base: 9.9 },
  silentInside: { base: 4.65 },
  bassApart: { base: 0.35, groups: { strum: 1.1, free: 1.95 } },
  thinSilent: { base: 0, groups: { strum: 1.9, free: 1.5 } },
  dark: { base: 1.85 },
  openRings: { base: -0.35 },
  openFar: { base: 0.7 },
  openAmid: { base: 1.5 },
  upTheNeck: { base: 0.1, groups: { strum: 0.1, free: 0.17, top: -0.05 } },
  few: { base: 1.25, groups: { barre: 1.85 } },
  many: { base: 2.1 },
  highBass: { base: 2.25, groups: { strum: -1.5, top: -0.95, band: -0.75 } },
  sixthString: { base: -0.35 },
  doubledThird: { base: 0.4 },
  doubledTension: { base: 2.1 },
  doubled: { base: 0.75, groups: { strum: -0.75 } },
  waste: { base: 1.55 },
  unison: { base: 1.35 },
  muddy: { base: 0.75 },
  tensionUnder: { base: 2.35, groups: { strum: -1.6 } },
  fifthOnRoot: { base: 0.1, groups: { barre: -0.6 } },
  uneven: { base: 0.6 },
  turned: { base: 0.9 },
  diagonal: { base: 0.25, groups: { strum: -0.25 } },
  bassAgain: { base: 1 },
  fullTriad: { base: 0.25 },
}

/** A strange bass beside a bass player costs so much of what it costs alone. */
export const BASS_BESIDE_A_BASS = 0.15

const GROUPS: Readonly<Record<Manner, readonly TasteGroup[]>> = {
  open: ['strum', 'free'],
  barre: ['strum', 'barre'],
  comp: [],
  bossa: [],
  funk: ['top', 'band'],
  blues: [],
  solo: ['free'],
}

const IN_BASS: ReadonlySet<TasteTerm> = new Set(['fifthInBass', 'thirdInBass', 'seventhInBass', 'tensionInBass'])

/** A term's weight for a player. */
export function weightOf(term: TasteTerm, manner: Manner, ensemble: Ensemble): number {
  const { base, groups = {} } = WEIGHTS[term]
  const own: ReadonlySet<TasteGroup> = new Set([
    ...GROUPS[manner],
    ...(ensemble === 'bass-player' ? (['band'] as const) : []),
  ])
  const sum = [...own].reduce((total, group) => total + (groups[group] ?? 0), base)
  return own.has('band') && IN_BASS.has(term) ? sum * BASS_BESIDE_A_BASS : sum
}
