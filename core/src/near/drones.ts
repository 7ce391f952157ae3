/** Open strings that ring through a chord: what degree each adds. */
import { type Chord, formulaMask } from '../chord/index.ts'
import { degreeAmong } from '../name/index.ts'
import type { Neck } from '../neck/index.ts'
import { type Degree, pitchClassOf } from '../pitch/index.ts'

export interface Drone {
  /** By index from the lowest string. */
  readonly string: number
  readonly degree: Degree
  /** Whether the chord has the tone anyway. */
  readonly belongs: boolean
}

/** What every open string is over a chord. */
export function dronesOver(chord: Chord, neck: Neck): readonly Drone[] {
  const mask = formulaMask(chord.formula)
  return neck.open.map((midi, string) => {
    const above = (midi - pitchClassOf(chord.root) + 120) % 12
    return { string, degree: degreeAmong(above, mask | (1 << above)), belongs: ((mask >> above) & 1) === 1 }
  })
}
