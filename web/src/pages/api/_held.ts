/** Reads what is held in a tune: shapes and top tones by the number of their chord. */
import type { PlayedChord } from '@nestling/core/chart'
import type { Neck } from '@nestling/core/neck'
import type { PathQuestion } from '@nestling/core/path'
import { midiOf, readPitch } from '@nestling/core/pitch'
import type { HeldShape } from '@nestling/core/tune'
import { readFrets } from '@nestling/core/voicing'
import type { PathBody } from '../../contracts/path.ts'
import { refuse, refuseWith } from './_respond.ts'

export type Read<Value> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly response: Response }
export const fine = <Value>(value: Value): Read<Value> => ({ ok: true, value })
export const wrong = (response: Response): Read<never> => ({ ok: false, response })

export function readHeld(
  hold: NonNullable<PathBody['hold']>,
  chords: readonly PlayedChord[],
  neck: Neck,
): Read<readonly HeldShape[]> {
  const held: HeldShape[] = []
  for (const [index, { chord, frets }] of hold.entries()) {
    if (chord >= chords.length)
      return wrong(
        refuseWith(`hold.${index}.chord`, {
          message: `there is no chord ${chord}; expected 0 to ${chords.length - 1}`,
          expected: `0 to ${chords.length - 1}`,
        }),
      )
    const read = readFrets(frets, neck.open.length)
    if (!read.ok) return wrong(refuse(`hold.${index}.frets`, read.error))
    held.push({ chord, frets: read.value })
  }
  return fine(held)
}

export function readMelody(melody: PathBody['melody']): Read<PathQuestion['melody']> {
  const tops: (number | undefined)[] = []
  for (const [index, text] of (melody ?? []).entries()) {
    const pitch = text === null ? undefined : readPitch(text)
    if (text !== null && pitch === undefined)
      return wrong(
        refuseWith(`melody.${index}`, {
          message: `${text} is no pitch; expected a note with its octave such as C5, or null`,
          expected: 'a pitch such as C5, or null',
        }),
      )
    tops.push(pitch && midiOf(pitch))
  }
  return fine(melody === undefined ? undefined : tops)
}
