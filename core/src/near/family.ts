/** What a shape can become without leaving its strings: its family, kind by kind, and the tones that can join it. */
import { type Chord, type Formula, respellRoot, shellOf, sortedFormula, usualDegree } from '../chord/index.ts'
import type { Neck } from '../neck/index.ts'
import { type Degree, degreePitchClass, stepOf } from '../pitch/index.ts'
import { morph, type Voicing, voicingOf } from '../voicing/index.ts'
import { type Change, shortestChanges } from './change.ts'

/** From the brightest to the darkest: each step lowers one tone by a semitone. */
const SEVENTHS: readonly Formula[] = [
  ['R', '3', '#5', '7'],
  ['R', '3', '5', '7'],
  ['R', '3', '5', 'b7'],
  ['R', 'b3', '5', 'b7'],
  ['R', 'b3', 'b5', 'b7'],
  ['R', 'b3', 'b5', 'bb7'],
]
const SIXTHS: readonly Formula[] = [
  ['R', '3', '5', '6'],
  ['R', 'b3', '5', '6'],
]
const TRIADS: readonly Formula[] = [
  ['R', '3', '#5'],
  ['R', '4', '5'],
  ['R', '3', '5'],
  ['R', '2', '5'],
  ['R', 'b3', '5'],
  ['R', 'b3', 'b5'],
]

/** Of the same frame, but not one tone darker or brighter than another of the thread. */
const SEVENTHS_APART: readonly Formula[] = [
  ...SIXTHS,
  ['R', 'b3', '5', '7'],
  ['R', '4', '5', 'b7'],
  ['R', '3', '#5', 'b7'],
]

/** The kinds of chord that stand in a formula's place over the same root, with its extensions over them. */
export interface Kindred {
  /** From the brightest to the darkest: each step lowers one tone. */
  readonly thread: readonly Formula[]
  readonly apart: readonly Formula[]
}

export function kindredOf(formula: Formula): Kindred {
  const has = (step: number) => formula.some((degree) => stepOf(degree) === step)
  const upper = formula.filter((degree) => stepOf(degree) > 7)
  const isWhole = (one: Formula) => new Set(one.map(degreePitchClass)).size === one.length
  const under = (kinds: readonly Formula[]) => kinds.map((kind) => sortedFormula([...kind, ...upper])).filter(isWhole)
  // A power chord and the like have no kin: a tone of theirs has no counterpart.
  if (formula.length < 3) return { thread: [], apart: [] }
  return has(7) || has(6)
    ? { thread: under(SEVENTHS), apart: under(SEVENTHS_APART) }
    : { thread: under(TRIADS), apart: [] }
}

/** The row of chords that a voicing belongs to, on its own strings; the kinds that it can't be morphed into are left away. */
export function familyRow(voicing: Voicing, neck: Neck): readonly Voicing[] {
  const has = (step: number) => voicing.chord.formula.some((degree) => stepOf(degree) === step)
  const row = has(7) || has(6) ? [...SEVENTHS, ...SIXTHS] : TRIADS
  return row.flatMap((formula) => morph(voicing, formula, neck) ?? [])
}

/** The same shape with nothing but root, third and seventh: the others fall silent. `undefined` where that is no change. */
export function shellShape(voicing: Voicing, neck: Neck): Voicing | undefined {
  const shell = shellOf(voicing.chord.formula)
  const frets = voicing.frets.map((fret, string) => {
    const degree = voicing.degrees[string]
    return degree && shell.includes(degree) ? fret : null
  })
  const told = voicingOf(voicing.chord, frets, neck)
  const complete = shell.length === 3 && shell.every((degree) => told?.degrees.includes(degree))
  return complete && frets.join() !== voicing.frets.join() ? told : undefined
}

export type Extension = '9' | 'b9' | '#9' | '11' | '#11' | '13' | 'b13' | '#5'
export const EXTENSIONS: readonly Extension[] = ['9', 'b9', '#9', '11', '#11', '13', 'b13', '#5']

/** The formula with a tone more; an altered fifth or another kind of the same extension gives way. */
export function extended(formula: Formula, extension: Extension): Formula {
  const step = stepOf(extension)
  const rest = formula.filter((degree) => stepOf(degree) !== step && !(step === 5 && stepOf(degree) === 5))
  const added = usualDegree(extension, rest)
  // A natural thirteenth is told as the whole stack, C13, of which the tones between need not sound.
  const stack: readonly Degree[] = added !== '13' ? [] : rest.includes('b3') ? ['9', '11'] : ['9']
  const below = stack.filter((degree) => rest.every((other) => stepOf(other) !== stepOf(degree)))
  return sortedFormula([...rest, ...below, added])
}

export interface WayToExtend {
  readonly extension: Extension
  /** The root's voice becomes the new tone (somebody else has the root), or the root stays and the fifth gives way. */
  readonly way: 'root-moves' | 'fifth-gives-way'
  readonly change: Change
  /** Tones that sound a semitone below the new one, and rub against it. */
  readonly rubs: readonly Degree[]
}

/** The root's own voice becomes the new tone, and nothing is doubled on the way. */
const rootMoves = ({ degrees }: Voicing, change: Change, added: Degree): boolean =>
  !doubles(change) && degrees.some((degree, string) => degree === 'R' && change.voicing.degrees[string] === added)

const doubles = ({ voicing: { degrees } }: Change): boolean => {
  const sounded = degrees.filter((degree) => degree !== null)
  return new Set(sounded).size < sounded.length
}

/**
 * Both ways to add a tone on the strings that sound, each by its shortest change. What the chord has already, and what
 * would sound as a tone that it keeps, is left away.
 */
export function waysToExtend(voicing: Voicing, neck: Neck): readonly WayToExtend[] {
  const { chord } = voicing
  const isNew = (extension: Extension) =>
    chord.formula.every((degree) => degreePitchClass(degree) !== degreePitchClass(extension))
  return EXTENSIONS.filter(isNew).flatMap((extension) => {
    const formula = extended(chord.formula, extension)
    const added = usualDegree(extension, chord.formula)
    const target: Chord = { root: respellRoot(chord.root, formula), formula }
    const sounds = (degree: Degree, change: Change) => change.voicing.degrees.includes(degree)
    const find = (school: 'drop-fifth' | 'drop-root') =>
      shortestChanges(voicing, target, neck, { school, farthest: 7 }).find((change) => sounds(added, change))
    const keeping = find('drop-fifth')
    const leaving = chord.formula.length > 3 ? find('drop-root') : undefined
    const told = (way: WayToExtend['way'], change: Change): WayToExtend => ({
      extension,
      way,
      change,
      rubs: change.voicing.degrees.filter(
        (degree): degree is Degree =>
          degree !== null && (degreePitchClass(degree) + 1) % 12 === degreePitchClass(extension) && degree !== 'R',
      ),
    })
    return [
      ...(leaving && !sounds('R', leaving) && rootMoves(voicing, leaving, added) ? [told('root-moves', leaving)] : []),
      ...(keeping && sounds('R', keeping) && !doubles(keeping) ? [told('fifth-gives-way', keeping)] : []),
    ]
  })
}
