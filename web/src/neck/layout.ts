/** Where frets, strings and fingertips are drawn: the neck to scale, in the units of one drawing. */
import { fingertipMm, fretDistanceMm, type Neck } from '@nestling/core/neck'

export interface NeckLayout {
  readonly width: number
  readonly height: number
  readonly left: number
  readonly top: number
  readonly bottom: number
  readonly right: number
  readonly lastFret: number
  readonly rowHeight: number
  /** Drawing units per millimetre. */
  readonly scale: number
  readonly fretX: (fret: number) => number
  /** Where the fingertip stands; an open string's tone stands before the nut. */
  readonly tipX: (fret: number) => number
  /** Strings by index from the lowest, which is drawn at the bottom. */
  readonly stringY: (index: number) => number
}

const WIDTH = 1232
const LEFT = 78
const TOP = 22

export function neckLayout(neck: Neck, lastFret: number): NeckLayout {
  const strings = neck.open.length
  const rowHeight = strings <= 6 ? 33 : Math.max(21, 206 / strings)
  const right = WIDTH - 14
  const scale = (right - 12 - LEFT) / fretDistanceMm(neck.scaleLengthMm, lastFret)
  const bottom = TOP + (strings - 1) * rowHeight
  return {
    width: WIDTH,
    height: bottom + 74,
    left: LEFT,
    top: TOP,
    bottom,
    right,
    lastFret,
    rowHeight,
    scale,
    fretX: (fret) => LEFT + scale * fretDistanceMm(neck.scaleLengthMm, fret),
    tipX: (fret) => (fret === 0 ? LEFT - 22 : LEFT + scale * fingertipMm(neck.scaleLengthMm, fret)),
    stringY: (index) => bottom - index * rowHeight,
  }
}
