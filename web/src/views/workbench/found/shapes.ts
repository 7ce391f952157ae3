/** The shapes found, each with what its bar on the neck shows. */
import type { ShapesFound } from '@nestling/core/answer'
import type { Formula } from '@nestling/core/chord'
import { reachMm } from '@nestling/core/hand'
import { type Neck, soundingMidi } from '@nestling/core/neck'
import { type Degree, degreePitchClass, type NoteName, pitchClassOf } from '@nestling/core/pitch'
import { type Frets, fretsAt, highestPressed, lowestPressed, type Voicing } from '@nestling/core/voicing'

export interface FoundShape {
  readonly frets: Frets
  readonly bass: Degree | 'foreign'
  /** The lowest and the highest pressed fret; 0 when all strings ring open. */
  readonly lowest: number
  readonly highest: number
  readonly reachMm: number
  readonly playable: boolean
}

export function shapesIn(
  found: ShapesFound,
  chord: { readonly root: NoteName; readonly formula: Formula },
  neck: Neck,
): readonly FoundShape[] {
  const root = pitchClassOf(chord.root)
  const tones: (Degree | undefined)[] = Array.from({ length: 12 })
  for (const degree of chord.formula) tones[(root + degreePitchClass(degree)) % 12] = degree
  return Array.from({ length: found.shown }, (_, row): FoundShape => {
    const frets = fretsAt(found, row)
    let deepest = 128
    let lowest = 0
    let highest = 0
    // Hundreds of shapes at each keystroke: pairs of index and fret would be a tenth of all that is cleared away later.
    for (let string = 0; string < frets.length; string++) {
      const fret = frets[string] ?? null
      if (fret === null) continue
      deepest = Math.min(deepest, soundingMidi(neck, string, fret))
      if (fret > 0 && (lowest === 0 || fret < lowest)) lowest = fret
      if (fret > highest) highest = fret
    }
    return {
      frets,
      bass: tones[deepest % 12] ?? 'foreign',
      lowest,
      highest,
      reachMm: found.reachesMm[row] as number,
      playable: found.held[row] === 1,
    }
  })
}

/** A shape that the search did not bring, as a bar of the list; whether the hand can hold it is for the caller to say. */
export function foundShapeOf({ frets, chord, arrangement }: Voicing, neck: Neck): Omit<FoundShape, 'playable'> {
  const [bass] = arrangement.degrees
  return {
    frets,
    bass: bass !== undefined && chord.formula.includes(bass) ? bass : 'foreign',
    lowest: lowestPressed(frets),
    highest: highestPressed(frets),
    reachMm: reachMm(neck, frets),
  }
}

/** The strings that sound, one bit each. */
export const stringsMask = (frets: Frets): number =>
  frets.reduce<number>((mask, fret, string) => (fret === null ? mask : mask | (1 << string)), 0)

export const stringsOfMask = (mask: number, strings: number): readonly number[] =>
  Array.from({ length: strings }, (_, string) => string).filter((string) => (mask >> string) & 1)

/** The very same frets; most differ on the first string already. */
export function areSame(a: Frets, b: Frets): boolean {
  for (let string = 0; string < a.length; string++) if (a[string] !== b[string]) return false
  return a.length === b.length
}
