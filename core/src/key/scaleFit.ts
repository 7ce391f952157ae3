/** Which scales hold a chord, what each adds to it, and why one would be chosen before another. */

import { type Chord, type Formula, formulaMask } from '../chord/index.ts'
import {
  type Degree,
  degreePitchClass,
  type NoteName,
  periodOf,
  pitchClassOf,
  plainName,
  spellDegree,
} from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import { SCALES, type Scale, type ScaleFamily } from './scale.ts'

export interface ScaleTone {
  /** A chord tone by the chord's own name for it (♯9 over an altered scale), any other by the scale's. */
  readonly degree: Degree
  readonly note: NoteName
  readonly inChord: boolean
  /** A semitone above a chord tone: to pass through rather than rest on. */
  readonly rubs: boolean
}

export interface ScaleFit {
  readonly scale: Scale
  /** From the chord's root up. */
  readonly tones: readonly ScaleTone[]
  /** What the scale has and the chord has not. */
  readonly adds: readonly Degree[]
  /** Those of them that lie a semitone above a chord tone. */
  readonly rubs: readonly Degree[]
  /** The tonic of the parent scale: B♭ for C Dorian. */
  readonly parent: NoteName
}

/** How far a family is from what most tunes are made of. */
const FAMILY_RANK: Readonly<Record<ScaleFamily, number>> = {
  pentatonic: 0,
  major: 0,
  'melodic minor': 2,
  'harmonic minor': 4,
  symmetrical: 6.5,
  'harmonic major': 6,
  blues: 3,
}

/** What repeats inside the octave, as a dim7 does every three semitones, is at home in a scale that repeats likewise. */
const REPEATING_CHORD_BONUS = 4.5

/** Which scale players take at once for what a chord has, and has not: what its tensions are drawn from. */
const SIGNATURES: readonly { readonly scale: string; readonly has: Formula; readonly not: Formula }[] = [
  { scale: 'whole tone', has: ['3', '#5', 'b7'], not: ['b9', '#9', '11', '13'] },
  { scale: 'altered', has: ['3', 'b7', '#9'], not: ['13', '11', '9'] },
  { scale: 'half-whole octatonic', has: ['3', 'b7', 'b9', '13'], not: [] },
  { scale: 'half-whole octatonic', has: ['3', 'b7', '#9', '13'], not: [] },
  { scale: 'Mixolydian', has: ['4', '5', 'b7'], not: ['b3', '3', 'b9', 'b13'] },
  { scale: 'whole-half octatonic', has: ['b3', 'b5', '7'], not: [] },
]
const SIGNATURE_BONUS = 20

/** In a dominant whose ninth or thirteenth is altered the perfect fifth is only implied: a scale may do without it. */
const impliesFifth = (formula: Formula): boolean =>
  ['3', '5', 'b7'].every((degree) => formula.includes(degree as Degree)) &&
  formula.some((degree) => degree === 'b9' || degree === '#9' || degree === 'b13')
const FIFTH = 1 << 7
const NO_FIFTH_COST = 9

/**
 * Scales that hold every tone of a chord, the likeliest first: the one that players take for its tensions, then by how
 * common the family is, by how few tones rub, and scales of seven tones a little before others. Ties keep the order of
 * the list.
 */
export function scalesFor(chord: Pick<Chord, 'root' | 'formula'>): readonly ScaleFit[] {
  const { formula } = chord
  const mask = formulaMask(formula)
  const needed = impliesFifth(formula) ? mask & ~FIFTH : mask
  const signature = SIGNATURES.find(
    ({ has, not }) =>
      has.every((degree) => formula.includes(degree)) && !not.some((degree) => formula.includes(degree)),
  )
  return SCALES.filter((scale) => (needed & ~scale.mask) === 0)
    .map((scale) => fitOf(scale, chord))
    .map((fit, index) => ({
      fit,
      index,
      cost:
        costOf(fit, periodOf(mask) < 12) +
        ((mask & ~fit.scale.mask) === 0 ? 0 : NO_FIFTH_COST) -
        (fit.scale.name === signature?.scale ? SIGNATURE_BONUS : 0),
    }))
    .sort((a, b) => a.cost - b.cost || a.index - b.index)
    .map(({ fit }) => fit)
}

const costOf = ({ scale, rubs }: ScaleFit, repeating: boolean): number =>
  FAMILY_RANK[scale.family] +
  rubs.length +
  (scale.degrees.length < 7 ? 1.5 : 0) -
  (repeating && scale.family === 'symmetrical' ? REPEATING_CHORD_BONUS : 0)

function fitOf(scale: Scale, { root, formula }: Pick<Chord, 'root' | 'formula'>): ScaleFit {
  const mask = formulaMask(formula)
  const chordTones = new Map(formula.map((degree) => [degreePitchClass(degree), degree]))
  const tones = scale.degrees.map((own): ScaleTone => {
    const semitones = degreePitchClass(own)
    const degree = chordTones.get(semitones) ?? own
    const inChord = chordTones.has(semitones)
    return {
      degree,
      note: spellDegree(root, degree) ?? plainName((pitchClassOf(root) + semitones) % 12),
      inChord,
      rubs: !inChord && (mask & (1 << ((semitones + 11) % 12))) !== 0,
    }
  })
  const added = tones.filter(({ inChord }) => !inChord)
  return {
    scale,
    tones,
    adds: added.map(({ degree }) => degree),
    rubs: added.filter(({ rubs }) => rubs).map(({ degree }) => degree),
    parent: parentOf(scale, root),
  }
}

function parentOf(scale: Scale, root: NoteName): NoteName {
  if (scale.mode === 1) return root
  // Counted back to the family's first scale: the step whose degree that scale starts on.
  const home = requireAt(scale.degrees, (scale.degrees.length - scale.mode + 1) % scale.degrees.length)
  return spellDegree(root, home) ?? plainName((pitchClassOf(root) + degreePitchClass(home)) % 12)
}
