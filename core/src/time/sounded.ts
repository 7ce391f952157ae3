/** What a shape sounds, as notes where they lie. */
import type { Chord } from '../chord/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import { pitchAt, plainName } from '../pitch/index.ts'
import { type Frets, voicingOf } from '../voicing/index.ts'
import type { StringNote } from './score.ts'

/** Low string to high, spelled by the chord; a tone that it has not is spelled plainly. */
export function soundedNotes(frets: Frets, neck: Neck, chord?: Chord): readonly StringNote[] {
  const voicing = chord && voicingOf(chord, frets, neck)
  return frets.flatMap((fret, string): readonly StringNote[] => {
    if (fret === null) return []
    const midi = soundingMidi(neck, string, fret)
    const name = voicing?.notes[string] ?? plainName(midi % 12)
    return [{ midi, pitch: pitchAt(name, midi), string, fret }]
  })
}
