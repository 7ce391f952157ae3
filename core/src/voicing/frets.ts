/** What a row of frets presses and sounds. */
import type { Fret, StringSet } from '../neck/index.ts'
import type { Frets } from './types.ts'

/** Open and silent strings are not pressed. */
export const pressedFrets = (frets: Frets): readonly Fret[] =>
  frets.filter((fret): fret is Fret => fret !== null && fret > 0)

/** By index, lowest first; open strings too. */
export const soundingStrings = (frets: Frets): StringSet =>
  frets.flatMap((fret, string) => (fret === null ? [] : [string]))

/** 0 when nothing is pressed. */
export const lowestPressed = (frets: Frets): Fret => {
  let lowest = 0
  for (const fret of frets) if (fret !== null && fret > 0 && (lowest === 0 || fret < lowest)) lowest = fret
  return lowest
}

/** 0 when nothing is pressed. */
export const highestPressed = (frets: Frets): Fret => {
  let highest = 0
  for (const fret of frets) if (fret !== null && fret > highest) highest = fret
  return highest
}

/** Where along the neck a shape lies, in frets; 0 for open strings alone. */
export const centreOf = (frets: Frets): number => {
  const pressed = pressedFrets(frets)
  return pressed.length === 0 ? 0 : pressed.reduce((sum: number, fret) => sum + fret, 0) / pressed.length
}
