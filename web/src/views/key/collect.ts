/** A step or a whole lane to the tray, to the Book and to other views. */
import { writeKey } from '@nestling/core/key'
import type { Shape } from '@nestling/core/shape'
import { keepAs } from '../../state/book.ts'
import { toPractice } from '../../state/links.ts'
import { tell } from '../../state/notices.ts'
import { addToTray } from '../../state/tray.ts'
import { turnsGoing } from './toScore.ts'
import type { KeyState } from './useKey.ts'

const nothing = () => tell.done('This step has no shape here: take another lane.', 'no-shape')

export const toTray = ({ shape }: KeyState): unknown => (shape ? addToTray([shape]) : nothing())

export const keep = ({ shape }: KeyState): unknown => (shape ? keepAs(shape) : nothing())

/** Every step of the chosen lane, up the neck. */
const laneShapes = ({ answer, shape }: KeyState): readonly Shape[] =>
  shape ? turnsGoing(answer, 'up').map(({ chord, frets }): Shape => ({ chord, frets, tuning: shape.tuning })) : []

export const laneToTray = (state: KeyState): unknown => (state.shape ? addToTray(laneShapes(state)) : nothing())

/** The chosen lane as a run. */
export const practiseHref = (state: KeyState): string =>
  toPractice(laneShapes(state), state.player, `${writeKey(state.answer.plan.key, { ascii: true })}, a lane`)
