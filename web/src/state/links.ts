/** Where a shape goes from any view: the one place that writes it into an address and finds it there again. */
import { writeTuning } from '@nestling/core/neck'
import type { Player } from '@nestling/core/request'
import { type Shape, writeShape } from '@nestling/core/shape'
import { type Frets, readFrets, writeFrets } from '@nestling/core/voicing'
import { addressOfShape } from './workbench/address.ts'

type On = Pick<Player, 'instrument'>

/** To Build: under its own question, with its own fingers. */
export const toBuild = (shape: Shape, player: On): string => addressOfShape(shape, player)

/** To Arpeggio: the chord one tone after another, this shape inside it. */
export function toArpeggio(shape: Shape, { instrument }: On): string {
  const { chord, frets, tuning } = writeShape(shape)
  const query = new URLSearchParams({ chord, shape: frets })
  if (tuning !== writeTuning(instrument.tuning)) query.set('tuning', tuning)
  return `/arpeggio?${query}`
}

/** The frets that an address brings along; `undefined` where they are not of a neck with so many strings. */
export function fretsIn(text: string | undefined, strings: number): Frets | undefined {
  const read = text === undefined ? undefined : readFrets(text, strings)
  return read?.ok ? read.value : undefined
}

export const fretsTextOf = (frets: Frets): string => writeFrets(frets)
