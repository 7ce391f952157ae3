/** Chord kinds of MusicXML and the formulas they stand for, after the format's own table; what differs is told as degrees. */
import { type Formula, sortedFormula, usualDegree } from '@nestling/core/chord'
import { type Degree, degreeAlteration, parseDegree, stepOf } from '@nestling/core/pitch'

const formula = (text: string): Formula => sortedFormula(text.split(' ') as Degree[])

export const KINDS: Readonly<Record<string, Formula>> = {
  major: formula('R 3 5'),
  minor: formula('R b3 5'),
  augmented: formula('R 3 #5'),
  diminished: formula('R b3 b5'),
  dominant: formula('R 3 5 b7'),
  'major-seventh': formula('R 3 5 7'),
  'minor-seventh': formula('R b3 5 b7'),
  'diminished-seventh': formula('R b3 b5 bb7'),
  'augmented-seventh': formula('R 3 #5 b7'),
  'half-diminished': formula('R b3 b5 b7'),
  'major-minor': formula('R b3 5 7'),
  'major-sixth': formula('R 3 5 6'),
  'minor-sixth': formula('R b3 5 6'),
  'dominant-ninth': formula('R 3 5 b7 9'),
  'major-ninth': formula('R 3 5 7 9'),
  'minor-ninth': formula('R b3 5 b7 9'),
  'dominant-11th': formula('R 3 5 b7 9 11'),
  'major-11th': formula('R 3 5 7 9 11'),
  'minor-11th': formula('R b3 5 b7 9 11'),
  'dominant-13th': formula('R 3 5 b7 9 11 13'),
  'major-13th': formula('R 3 5 7 9 11 13'),
  'minor-13th': formula('R b3 5 b7 9 11 13'),
  'suspended-second': formula('R 2 5'),
  'suspended-fourth': formula('R 4 5'),
  power: formula('R 5'),
}

export interface DegreeChange {
  readonly value: number
  /** Semitones against the degree of a dominant chord: natural, but for the minor seventh. */
  readonly alter: number
  readonly type: 'add' | 'subtract' | 'alter'
}

/** A degree as its number and its alteration; R is 1. */
const partsOf = (degree: Degree): { readonly value: number; readonly alter: number } => {
  const value = degree === 'R' ? 1 : Number(degree.replace(/\D/g, ''))
  return { value, alter: degreeAlteration(degree) + (value === 7 ? 1 : 0) }
}

function degreeFrom(value: number, alter: number): Degree | undefined {
  const from = alter - (value === 7 ? 1 : 0)
  const sign = from < 0 ? 'b'.repeat(-from) : '#'.repeat(from)
  return value === 1 && from === 0 ? 'R' : parseDegree(`${sign}${value}`)
}

/** The nearest kind, and what is to be added to it and taken from it. */
export function kindOf(wanted: Formula): { readonly kind: string; readonly degrees: readonly DegreeChange[] } {
  let best: { kind: string; degrees: DegreeChange[] } | undefined
  for (const [kind, has] of Object.entries(KINDS)) {
    const degrees: DegreeChange[] = [
      ...has
        .filter((degree) => !wanted.includes(degree))
        .map((degree) => ({ ...partsOf(degree), type: 'subtract' as const })),
      ...wanted
        .filter((degree) => !has.includes(degree))
        .map((degree) => ({ ...partsOf(degree), type: 'add' as const })),
    ]
    if (best === undefined || degrees.length < best.degrees.length) best = { kind, degrees }
  }
  return best ?? { kind: 'other', degrees: [] }
}

/** The formula of a kind with its changes; `undefined` where no chord comes of it. */
export function formulaOfKind(kind: string, changes: readonly DegreeChange[]): Formula | undefined {
  const base = KINDS[kind] ?? (kind === 'other' || kind === 'pedal' ? KINDS['major'] : undefined)
  if (base === undefined) return undefined
  let degrees: readonly Degree[] = base
  for (const { value, alter, type } of changes) {
    const there = degrees.find((degree) => partsOf(degree).value === value)
    if (type === 'add') {
      const added = degreeFrom(value, alter)
      if (added === undefined) return undefined
      degrees = [...degrees, added]
    } else if (type === 'subtract') degrees = degrees.filter((degree) => degree !== (degreeFrom(value, alter) ?? there))
    else {
      const changed = there && degreeFrom(value, partsOf(there).alter + alter)
      if (there === undefined) {
        // Programs alter what a kind has not, and mean that it is added so.
        const added = degreeFrom(value, alter)
        if (added === undefined) return undefined
        degrees = [...degrees, added]
      } else if (changed !== undefined) degrees = degrees.map((degree) => (degree === there ? changed : degree))
    }
  }
  const all = [...new Set(degrees)]
  const usual = all.map((degree) => usualDegree(degree, all))
  return usual.length > 1 && usual.includes('R') && usual.every((degree) => stepOf(degree) <= 13)
    ? sortedFormula(usual)
    : undefined
}
