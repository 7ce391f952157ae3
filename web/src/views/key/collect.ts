/** A step or a whole lane to the tray, to the Book and to other views. */
import { writeKey } from '@nestling/core/key'
import { stringNumber } from '@nestling/core/neck'
import type { Shape } from '@nestling/core/shape'
import { keepAs } from '../../state/book.ts'
import { toPractice } from '../../state/links.ts'
import { tell } from '../../state/notices.ts'
import { toSheet } from '../../state/toSheet.ts'
import { addToTray } from '../../state/tray.ts'
import { turnsGoing } from './toScore.ts'
import type { KeyState } from './useKey.ts'

const nothing = () => tell.done('This step has no shape here: take another lane.', 'no-shape')

export const toTray = ({ shape }: KeyState): unknown => (shape ? addToTray([shape]) : nothing())

export const keep = ({ shape }: KeyState): unknown => (shape ? keepAs(shape) : nothing())

/** Every step of the chosen lane, up the neck. */
export const laneShapes = ({ answer, shape }: KeyState): readonly Shape[] =>
  shape ? turnsGoing(answer, 'up').map(({ chord, frets }): Shape => ({ chord, frets, tuning: shape.tuning })) : []

export const laneToTray = (state: KeyState): unknown => (state.shape ? addToTray(laneShapes(state)) : nothing())

/** The key on a sheet, its lanes by their root strings, with the formulas of its steps. */
export function sheetHref({ answer }: KeyState): string {
  const { key, depth, asks } = answer.plan
  const strings = answer.neck.open.length
  const roots = asks.flatMap((ask) => (ask.kind === 'root' ? [stringNumber(ask.string, strings)] : []))
  const low = Math.min(6, strings)
  return toSheet({
    kind: 'key',
    key: writeKey(key, { ascii: true }),
    depth: depth === 'triads' || depth === 'sevenths' ? depth : 'ninths',
    // Lanes of another kind have no place on a sheet yet: the usual two stand for them.
    roots: roots.length > 0 ? roots : [low, low - 1],
    formulas: true,
  })
}

/** The chosen lane as a run. */
export const practiseHref = (state: KeyState): string =>
  toPractice(laneShapes(state), state.player, `${writeKey(state.answer.plan.key, { ascii: true })}, a lane`)
