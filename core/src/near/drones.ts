/** Open strings that ring through a chord: what degree each adds, and shapes that leave them ringing. */
import { type Chord, formulaMask } from '../chord/index.ts'
import { degreeAmong, namesOf, type ShapeName } from '../name/index.ts'
import type { Neck, StringSet } from '../neck/index.ts'
import { type Degree, pitchClassOf } from '../pitch/index.ts'
import { type Frets, fretsAt, searchVoicings } from '../voicing/index.ts'

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

export interface DroneShape {
  readonly frets: Frets
  /** What it is called with all open strings ringing. */
  readonly name: ShapeName
}

/**
 * Shapes of a chord on some strings while all the others ring open, from the nut upwards.
 * @param strings The strings that are pressed; the rest rings.
 */
export function droneShapes(chord: Chord, strings: StringSet, neck: Neck, reachLimitMm: number): readonly DroneShape[] {
  const found = searchVoicings({
    chord,
    neck,
    stringSets: [strings],
    arrangement: { kind: 'any' },
    school: 'drop-fifth',
    doubling: strings.length > chord.formula.length,
    fretMin: 1,
    fretMax: neck.lastFret,
    reachLimitMm,
    open: 'never',
  })
  const lowest = (frets: Frets) => Math.min(...frets.filter((fret): fret is number => fret !== null && fret > 0))
  return Array.from({ length: found.count }, (_, row) => fretsAt(found, row).map((fret) => fret ?? 0))
    .sort((a, b) => lowest(a) - lowest(b))
    .flatMap((frets) => {
      const names = namesOf(frets, neck, { near: chord })
      const name = names.find((one) => pitchClassOf(one.chord.root) === pitchClassOf(chord.root)) ?? names[0]
      return name ? [{ frets, name }] : []
    })
}
