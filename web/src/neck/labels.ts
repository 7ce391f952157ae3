import type { Fingering } from '@nestling/core/hand'
import { type NamingSystem, writeNote } from '@nestling/core/pitch'
import type { Voicing } from '@nestling/core/voicing'
import type { Labels } from '../contracts/settings.ts'
import { degreeName, degreeSign } from './tone.ts'

/** What stands in the egg of one string. */
export function eggLabel(
  voicing: Voicing,
  string: number,
  labels: Labels,
  naming: NamingSystem,
  fingering?: Fingering,
): string {
  const degree = voicing.degrees[string]
  const note = voicing.notes[string]
  if (degree === null || degree === undefined) return ''
  switch (labels) {
    case 'degree':
      return degreeSign(degree)
    case 'note':
      return note ? writeNote(note, naming) : ''
    case 'finger':
      return String(fingering?.fingers[string] ?? (voicing.frets[string] === 0 ? '0' : ''))
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
