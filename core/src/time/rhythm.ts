/** Notes of one value in a row: when each comes, and which are accented. */
import { beatsInBar, type Metre, pulses } from './metre.ts'

export const NOTE_VALUES = ['quarter', 'eighth', 'triplet', 'sixteenth'] as const
export type NoteValue = (typeof NOTE_VALUES)[number]

/** Notes on one beat. */
export const NOTES_A_BEAT: Readonly<Record<NoteValue, number>> = { quarter: 1, eighth: 2, triplet: 3, sixteenth: 4 }

/** The beat on which a note of the row begins, from the start of the music. */
export const beatOf = (index: number, value: NoteValue): number => index / NOTES_A_BEAT[value]

export const ACCENTS = ['beat', 'bar', 'root', 'none'] as const
export type Accent = (typeof ACCENTS)[number]

const isPulse = (beat: number, metre: Metre): boolean => {
  const inBar = beat % beatsInBar(metre)
  return pulses(metre).some((at) => Math.abs(at - inBar) < 1e-6)
}

export const isAccented = (
  index: number,
  isRoot: boolean,
  { accent, value, metre }: { readonly accent: Accent; readonly value: NoteValue; readonly metre: Metre },
): boolean => {
  switch (accent) {
    case 'beat':
      return isPulse(beatOf(index, value), metre)
    case 'bar':
      return index % (NOTES_A_BEAT[value] * beatsInBar(metre)) === 0
    case 'root':
      return isRoot
    case 'none':
      return false
  }
}
