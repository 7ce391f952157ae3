/** Where a shape goes from any view: the one place that writes it into an address and finds it there again. */
import type { Chord } from '@nestling/core/chord'
import { type Tuning, writeTuning } from '@nestling/core/neck'
import { MOST_RUN_SHAPES, writeMaterial } from '@nestling/core/practice'
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

/** To Map: the chord's whole territory, in the shape's tuning. */
export function toMap(shape: Shape, { instrument }: On): string {
  const { chord, tuning } = writeShape(shape)
  const query = new URLSearchParams({ chord })
  if (tuning !== writeTuning(instrument.tuning)) query.set('tuning', tuning)
  return `/map?${query}`
}

/** To Path: chords a bar each, every shape held. */
export function toPath(shapes: readonly Shape[], { instrument }: On): string {
  const texts = shapes.map(writeShape)
  const chart = `| ${texts.map(({ chord }) => chord).join(' | ')} |`
  const query = new URLSearchParams({ chart, hold: texts.map(({ frets }, index) => `${index + 1}:${frets}`).join(',') })
  const [first] = texts
  if (first && first.tuning !== writeTuning(instrument.tuning)) query.set('tuning', first.tuning)
  if (shapes.some(({ frets }) => frets.includes(0))) query.set('open', 'allow')
  return `/path?${query.toString().replaceAll('%2C', ',')}`
}

/** To Practice: one's own shapes in a row, or one through all roots. */
export function toPractice(shapes: readonly Shape[], { instrument }: On, title = ''): string {
  const [first] = shapes
  const query = new URLSearchParams({
    material: writeMaterial({ kind: 'shapes', shapes: shapes.slice(0, MOST_RUN_SHAPES) }),
  })
  if (title !== '') query.set('title', title.slice(0, 60))
  if (first && writeTuning(first.tuning) !== writeTuning(instrument.tuning))
    query.set('tuning', writeTuning(first.tuning))
  return `/practice?${query.toString().replaceAll('%2C', ',').replaceAll('%3D', '=')}`
}

/** To Practice: a chord's arpeggio, from its own root. */
export function arpeggioToPractice({ root, formula }: Chord, tuning: Tuning, { instrument }: On): string {
  const query = new URLSearchParams({ material: writeMaterial({ kind: 'arpeggio', formula }), from: root })
  if (writeTuning(tuning) !== writeTuning(instrument.tuning)) query.set('tuning', writeTuning(tuning))
  return `/practice?${query.toString().replaceAll('%2C', ',')}`
}

/** The frets that an address brings along; `undefined` where they are not of a neck with so many strings. */
export function fretsIn(text: string | undefined, strings?: number): Frets | undefined {
  const read = text === undefined ? undefined : readFrets(text, strings)
  return read?.ok ? read.value : undefined
}

export const fretsTextOf = (frets: Frets): string => writeFrets(frets)
