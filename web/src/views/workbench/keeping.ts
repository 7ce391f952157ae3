/** The shape in hand to the Book and to the tray, with the fingering that was chosen for it. */
import { instrumentFor } from '@nestling/core/request'
import { keepAs } from '../../state/book.ts'
import { toPractice } from '../../state/links.ts'
import { tell } from '../../state/notices.ts'
import { $player } from '../../state/session.ts'
import { shapesBlock, toSheet } from '../../state/toSheet.ts'
import { addToTray } from '../../state/tray.ts'
import { $workbench, $writtenShapes, asked, current, shapeInHand, whenAnswered } from '../../state/workbench/index.ts'

const inHand = () => {
  const now = $workbench.get()
  return now && shapeInHand(now)
}

/** What is asked for now: the shape that the page still shows belongs to the question before. */
async function inHandOnceAnswered() {
  await whenAnswered()
  return inHand()
}

/** The shape in hand through all roots. */
export function practiseHref(): string | undefined {
  const shape = inHand()
  return shape && toPractice([shape], $player.get())
}

/** The shape in hand on a sheet. */
export function sheetHref(): string | undefined {
  const shape = inHand()
  return shape && toSheet(shapesBlock([{ shape }]))
}

const NOTHING = 'Nothing in hand to save: type a chord, or press places on the neck.'

/** Several shapes that were written on one line. */
export async function writtenToTray(): Promise<void> {
  const shapes = $writtenShapes.get()
  const { question, player } = current()
  const { tuning } = instrumentFor(question, player)
  $writtenShapes.set([])
  asked.showLine({ line: '', problem: undefined })
  await addToTray(shapes.map(({ chord, frets }) => ({ chord, frets, tuning })))
  tell.done(`${shapes.length} shapes are in the tray.`, 'tray')
}

export async function keepInHand(): Promise<void> {
  const shape = await inHandOnceAnswered()
  if (shape) await keepAs(shape)
  else tell.done(NOTHING, 'nothing')
}

export async function toTray(): Promise<void> {
  const shape = await inHandOnceAnswered()
  if (shape) await addToTray([shape])
  else tell.done(NOTHING, 'nothing')
}
