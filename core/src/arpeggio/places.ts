/** Where the tones of a chord lie on a neck. */
import { bassDegreeOf, type Chord } from '../chord/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import { type Degree, degreePitchClass, pitchClassOf, plainName, spellDegree } from '../pitch/index.ts'
import type { ChordPlace } from './types.ts'

/** Every chord tone on every string, open strings too; string by string from the lowest, each from the nut up. */
export function chordPlaces(chord: Chord, neck: Neck): readonly ChordPlace[] {
  const root = pitchClassOf(chord.root)
  const slash = bassDegreeOf(chord)
  const degrees: readonly Degree[] =
    slash === undefined || chord.formula.includes(slash) ? chord.formula : [...chord.formula, slash]
  const told = new Map(
    degrees.map((degree) => {
      const pitchClass = (root + degreePitchClass(degree)) % 12
      return [pitchClass, { degree, note: spellDegree(chord.root, degree) ?? plainName(pitchClass) }]
    }),
  )
  const places: ChordPlace[] = []
  for (let string = 0; string < neck.open.length; string++) {
    const pressed = neck.firstFret[string] as number
    for (let fret = 0; fret <= neck.lastFret; fret++) {
      if (fret > 0 && fret < pressed) continue
      const midi = soundingMidi(neck, string, fret)
      const tone = told.get(midi % 12)
      if (tone) places.push({ string, fret, midi, ...tone })
    }
  }
  return places
}

/** The lowest fret at which the index finger can stand. */
export const lowestPosition = (neck: Neck): number => Math.min(...neck.firstFret)
/** The highest, so that the little finger still has a fret. */
export const highestPosition = (neck: Neck): number => Math.max(lowestPosition(neck), neck.lastFret - 3)

/** Frets that a hand reaches with its index at `at`: one back, four under the fingers, one on. */
export const reaches = (at: number, fret: number): boolean => fret >= at - 1 && fret <= at + 4

/** What lies under one hand. In the lowest position the open strings belong to it. */
export function inPosition(places: readonly ChordPlace[], neck: Neck, at: number): readonly ChordPlace[] {
  const open = at <= lowestPosition(neck)
  return places.filter(({ fret }) => (fret === 0 ? open : reaches(at, fret)))
}

/** Groups by pitch, low to high; the places of a pitch from the lowest string. */
export function byPitch(places: readonly ChordPlace[]): readonly (readonly ChordPlace[])[] {
  const groups = new Map<number, ChordPlace[]>()
  for (const place of places) {
    const group = groups.get(place.midi)
    if (group) group.push(place)
    else groups.set(place.midi, [place])
  }
  return [...groups].sort(([a], [b]) => a - b).map(([, group]) => group)
}
