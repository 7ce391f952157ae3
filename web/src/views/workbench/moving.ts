/** The shape moved by key or by its pressable twin; where the neck or the strings end, that is said. */
import { tell } from '../../state/notices.ts'
import { $workbench, invert, moveFret, moveStrings, neckIn, shapeInHand } from '../../state/workbench/index.ts'

const NOTICE = 'move'

/** Whether there is something to move; where not, what would be. */
function hasShape(): boolean {
  const now = $workbench.get()
  const is = now !== undefined && shapeInHand(now) !== undefined
  if (!is) tell.done('Nothing in hand: type a chord, or press places on the neck.', NOTICE)
  return is
}

export function moveHand(by: 1 | -1): void {
  if (!hasShape() || moveFret(by)) return
  const now = $workbench.get()
  const rings = now?.frets?.includes(0) === true
  tell.done(
    rings
      ? 'A shape with open strings can’t slide: press them first.'
      : by < 0
        ? 'It lies at the nut: no fret further down.'
        : `The neck ends at fret ${now ? neckIn(now).lastFret : ''}.`,
    NOTICE,
  )
}

export function nextInversion(direction: 1 | -1): void {
  if (hasShape() && !invert(direction))
    tell.done(
      direction > 0
        ? 'No higher inversion on these strings: the neck ends.'
        : 'No lower inversion on these strings: the nut is reached.',
      NOTICE,
    )
}

export function nextStrings(by: 1 | -1): void {
  if (hasShape() && !moveStrings(by))
    tell.done(by > 0 ? 'These are the highest strings.' : 'These are the lowest strings.', NOTICE)
}
