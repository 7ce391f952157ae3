/** The signature of a key: what stands behind the clef. */
import { alterationOf, type NoteName } from '../pitch/index.ts'
import type { Key } from './key.ts'

/** Of each scale that has a signature of its own, its name in files. */
export const MODES: Readonly<Record<string, string>> = {
  'major (Ionian)': 'major',
  'natural minor (Aeolian)': 'minor',
  Dorian: 'dorian',
  Phrygian: 'phrygian',
  Lydian: 'lydian',
  Mixolydian: 'mixolydian',
  Locrian: 'locrian',
}

/** Major keys by fifths; C stands at 8, A minor's A at 11. */
const LINE: readonly NoteName[] = [
  'Fb',
  'Cb',
  'Gb',
  'Db',
  'Ab',
  'Eb',
  'Bb',
  'F',
  'C',
  'G',
  'D',
  'A',
  'E',
  'B',
  'F#',
  'C#',
  'G#',
  'D#',
  'A#',
]

export interface Signature {
  readonly mode: string
  /** Sharps, or flats below zero. Beyond seven of a kind nobody writes one, but files count on. */
  readonly fifths: number
}

/** Of a scale that has no signature, that of its tonic's major or minor. */
export function signatureOf({ tonic, scale, notes }: Key): Signature {
  const mode = MODES[scale.name] ?? (scale.degrees.includes('b3') ? 'minor' : 'major')
  if (MODES[scale.name] === undefined) return { mode, fifths: LINE.indexOf(tonic) - (mode === 'minor' ? 11 : 8) }
  return { mode, fifths: notes.reduce((sum, note) => sum + alterationOf(note), 0) }
}
