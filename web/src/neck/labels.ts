import type { Finger } from '@nestling/core/hand'
import { type Degree, type NamingSystem, type NoteName, writeNote } from '@nestling/core/pitch'
import type { Voicing } from '@nestling/core/voicing'
import type { Labels } from '../contracts/settings.ts'
import { degreeName, degreeSign } from '../words/degrees.ts'

/** A tone as far as it can be told in an egg. */
export interface EggTone {
  readonly degree: Degree
  readonly note?: NoteName | undefined
  readonly finger?: Finger | null | undefined
  readonly fret?: number | undefined
}
export type EggLabel = (tone: EggTone) => string

/** What is always told by its degree. */
export const degreeLabel: EggLabel = ({ degree }) => degreeSign(degree)

/** What stands in an egg. */
export function eggLabel(tone: EggTone, labels: Labels, naming: NamingSystem): string {
  switch (labels) {
    case 'degree':
      return degreeSign(tone.degree)
    case 'note':
      return tone.note === undefined ? '' : writeNote(tone.note, naming)
    case 'finger':
      return String(tone.finger ?? (tone.fret === 0 ? '0' : ''))
    case 'none':
      return ''
  }
}

/** A voicing read aloud, low string to high: "string 5, fret 6, the root, E♭". */
export function spokenVoicing(voicing: Voicing, naming: NamingSystem): string {
  const count = voicing.frets.length
  return voicing.frets
    .map((fret, index) => {
      const number = count - index
      const degree = voicing.degrees[index]
      const note = voicing.notes[index]
      if (fret === null || !degree || !note) return `string ${number} silent`
      return `string ${number}, ${fret === 0 ? 'open' : `fret ${fret}`}, the ${degreeName(degree)}, ${writeNote(note, naming)}`
    })
    .join('; ')
}
