/** A shape or the whole path to the tray, and to the Book; the tray as a tune. */
import type { Shape } from '@nestling/core/shape'
import { keepAs } from '../../state/book.ts'
import { tell } from '../../state/notices.ts'
import { addToTray } from '../../state/tray.ts'
import type { PathState } from './usePath.ts'

const nothing = () => tell.done('This chord has no shape here: see why beside the tune.', 'no-shape')

export const toTray = ({ shape }: PathState): unknown => (shape ? addToTray([shape]) : nothing())
export const keep = ({ shape }: PathState): unknown => (shape ? keepAs(shape) : nothing())

/** Every chord's shape, in the order in which they are played. */
export function pathToTray({ answer, player }: PathState): unknown {
  const shapes = answer.found.shapes.flatMap((shape, index): readonly Shape[] => {
    const chord = answer.played.chords[index]?.chord
    return shape && chord ? [{ chord, frets: shape.frets, tuning: player.instrument.tuning }] : []
  })
  return shapes.length > 0 ? addToTray(shapes) : nothing()
}
