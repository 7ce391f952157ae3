/** Notes of one value in bars: what stands in each, and the rests that fill the last. */
export const NOTE_VALUES = ['quarter', 'eighth', 'triplet', 'sixteenth'] as const
export type NoteValue = (typeof NOTE_VALUES)[number]

/** Notes on one beat. */
export const NOTES_A_BEAT: Readonly<Record<NoteValue, number>> = { quarter: 1, eighth: 2, triplet: 3, sixteenth: 4 }

/** `at` counts beats from the start of the music. */
export const beatOf = (index: number, value: NoteValue): number => index / NOTES_A_BEAT[value]

export const ACCENTS = ['beat', 'bar', 'root', 'none'] as const
export type Accent = (typeof ACCENTS)[number]

export const isAccented = (
  index: number,
  isRoot: boolean,
  { accent, value, beatsPerBar }: { readonly accent: Accent; readonly value: NoteValue; readonly beatsPerBar: number },
): boolean => {
  switch (accent) {
    case 'beat':
      return index % NOTES_A_BEAT[value] === 0
    case 'bar':
      return index % (NOTES_A_BEAT[value] * beatsPerBar) === 0
    case 'root':
      return isRoot
    case 'none':
      return false
  }
}

export interface Bar {
  /** Numbers of its notes in the whole line. */
  readonly notes: readonly number[]
  /** Rests of the notes' own value, up to the next beat. */
  readonly shortRests: number
  /** Whole beats of silence after them. */
  readonly restBeats: number
}

/** @param count How many notes there are. */
export function barsOf(count: number, value: NoteValue, beatsPerBar: number): readonly Bar[] {
  const aBeat = NOTES_A_BEAT[value]
  const aBar = aBeat * beatsPerBar
  return Array.from({ length: Math.ceil(count / aBar) }, (_, bar): Bar => {
    const first = bar * aBar
    const notes = Array.from({ length: Math.min(aBar, count - first) }, (_, index) => first + index)
    const shortRests = (aBeat - (notes.length % aBeat)) % aBeat
    return { notes, shortRests, restBeats: beatsPerBar - (notes.length + shortRests) / aBeat }
  })
}
