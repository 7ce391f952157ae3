/** The slow truth that `shortestChanges` must equal: tries every fret within reach on every sounding string. */
import { type Chord, type OmissionSchool, soundingSets } from '../chord/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import { degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import type { Frets } from '../voicing/index.ts'

export function everyChange(
  from: Frets,
  target: Chord,
  neck: Neck,
  { school, farthest }: { readonly school: OmissionSchool; readonly farthest: number },
): { readonly semitones: number; readonly shapes: readonly string[] } {
  const strings = from.flatMap((fret, string) => (fret === null ? [] : [string]))
  const wanted = soundingSets(target.formula, strings.length, { school, doubling: true }).map((set) =>
    set
      .map((degree) => (pitchClassOf(target.root) + degreePitchClass(degree)) % 12)
      .toSorted((a, b) => a - b)
      .join(),
  )
  let fewest = Number.POSITIVE_INFINITY
  let shapes: string[] = []
  const tryAll = (at: number, frets: Frets) => {
    const string = strings[at]
    if (string !== undefined) {
      const start = soundingMidi(neck, string, from[string] as number)
      const last = neck.lastFret
      for (let fret = 0; fret <= last; fret++) {
        if (fret > 0 && fret < (neck.firstFret[string] as number)) continue
        if (Math.abs(soundingMidi(neck, string, fret) - start) <= farthest) tryAll(at + 1, frets.with(string, fret))
      }
      return
    }
    const midis = strings.map((one) => soundingMidi(neck, one, frets[one] as number))
    const classes = [...new Set(midis.map((midi) => midi % 12))].toSorted((a, b) => a - b).join()
    if (!wanted.includes(classes)) return
    const semitones = strings.reduce(
      (sum, one) =>
        sum + Math.abs(soundingMidi(neck, one, frets[one] as number) - soundingMidi(neck, one, from[one] as number)),
      0,
    )
    if (semitones < fewest) shapes = []
    if (semitones <= fewest) shapes.push(frets.join())
    fewest = Math.min(fewest, semitones)
  }
  tryAll(0, from)
  return { semitones: fewest, shapes: shapes.toSorted() }
}
