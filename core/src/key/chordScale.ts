/** The chords of a key: thirds stacked inside the scale, each told by its true formula and spelled by the key. */

import { type Chord, type Formula, sortedFormula } from '../chord/index.ts'
import { type Degree, degreeBetween, degreePitchClass, stepOf } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import type { Key } from './key.ts'
import { SCALES, type Scale } from './scale.ts'

/** How far thirds are stacked. */
export const DEPTHS = ['triads', 'sevenths', 'ninths', 'elevenths', 'thirteenths'] as const
export type Depth = (typeof DEPTHS)[number]

/**
 * `honest`: every chord as the scale gives it. `plain`: added tones that rub are left away, as players do; a chord whose
 * ninth rubs stays at its seventh.
 */
export const DEPTH_SCHOOLS = ['honest', 'plain'] as const
export type DepthSchool = (typeof DEPTH_SCHOOLS)[number]

export type KeyFunction = 'tonic' | 'subdominant' | 'dominant'

/** A tone that was left away: it lies a semitone above a tone of the chord, or stands on a ninth that does. */
export interface LeftTone {
  readonly degree: Degree
  readonly above: Degree | 'ninth'
}

export interface ScaleStep {
  /** 1 to 7. */
  readonly step: number
  readonly chord: Chord
  /** What thirds give, with the tones that the plain school leaves away. */
  readonly honest: Formula
  readonly left: readonly LeftTone[]
  readonly function: KeyFunction
  /** The same seven notes from this step. */
  readonly mode: Scale
}

/** Tonic: I iii vi; subdominant: ii IV; dominant: V vii. In scales other than major by the same steps. */
const FUNCTIONS: readonly KeyFunction[] = [
  'tonic',
  'subdominant',
  'tonic',
  'subdominant',
  'dominant',
  'tonic',
  'dominant',
]

/** The tones of each depth, in steps of the scale above the root. */
const thirdsOf = (depth: Depth): readonly number[] => [2, 4, 6, 8, 10, 12].slice(0, DEPTHS.indexOf(depth) + 2)

const WIDE = { 2: 9, 4: 11, 6: 13 } as const

/** The seven chords, from the tonic up. */
export function chordScale(key: Key, depth: Depth, school: DepthSchool = 'honest'): readonly ScaleStep[] {
  return key.notes.map((root, index): ScaleStep => {
    const honest = sortedFormula(['R', ...thirdsOf(depth).map((above) => degreeOver(key, index, above))])
    const left = school === 'plain' ? leftAway(honest) : []
    const gone = new Set(left.map(({ degree }) => degree))
    return {
      step: index + 1,
      chord: { root, formula: honest.filter((degree) => !gone.has(degree)) },
      honest,
      left,
      function: requireAt(FUNCTIONS, index),
      mode: modeOn(key.scale, index),
    }
  })
}

function degreeOver({ notes }: Key, index: number, above: number): Degree {
  const degree = degreeBetween(requireAt(notes, index), requireAt(notes, (index + above) % 7))
  if (degree === undefined) throw new Error(`${notes[index]} and the note ${above} steps above it have no degree`)
  const step = stepOf(degree)
  return above > 6 ? (degree.replace(/\d+$/, String(WIDE[step as 2 | 4 | 6])) as Degree) : degree
}

/**
 * An added tone rubs when it lies a semitone above a tone of the chord: ♭9 on III and VII, natural 11 over a major third,
 * ♭13 over a perfect fifth. A dominant carries ♭9 and ♭13: there they are colours that players ask for.
 */
function leftAway(formula: Formula): readonly LeftTone[] {
  const chord = formula.filter((degree) => stepOf(degree) <= 7)
  const isDominant = chord.includes('3') && chord.includes('b7')
  const left: LeftTone[] = []
  let staysAtSeventh = false
  for (const degree of formula.filter((one) => stepOf(one) > 7)) {
    const below = (degreePitchClass(degree) + 11) % 12
    const rubbed = chord.find((one) => degreePitchClass(one) === below)
    if (staysAtSeventh) left.push({ degree, above: 'ninth' })
    else if (rubbed !== undefined && !(isDominant && (degree === 'b9' || degree === 'b13'))) {
      left.push({ degree, above: rubbed })
      staysAtSeventh = stepOf(degree) === 9
    }
  }
  return left
}

/** The scale of the same family that starts on another step. */
function modeOn({ family, mode }: Scale, index: number): Scale {
  const wanted = ((mode - 1 + index) % 7) + 1
  const scale = SCALES.find((one) => one.family === family && one.mode === wanted)
  if (scale === undefined) throw new Error(`${family} has no mode ${wanted}`)
  return scale
}
