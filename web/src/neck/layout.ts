/** Where frets, strings and fingertips are drawn: the neck to scale, in the units of one drawing. */
import { fingertipMm, fretDistanceMm, type Neck } from '@nestling/core/neck'

export interface NeckLayout {
  readonly width: number
  readonly height: number
  /** The nut and the far end, wherever they lie. */
  readonly nut: number
  readonly end: number
  readonly top: number
  readonly bottom: number
  readonly strings: number
  readonly lastFret: number
  readonly rowHeight: number
  /** −1 when the neck is drawn for a left-handed player, the nut at the right. */
  readonly direction: 1 | -1
  /** Drawing units per millimetre. */
  readonly scale: number
  readonly fretX: (fret: number) => number
  /** Where the fingertip stands; an open string's tone stands before the nut. */
  readonly tipX: (fret: number) => number
  /** By index from the lowest string, which lies at the bottom unless the neck is flipped. */
  readonly stringY: (index: number) => number
  /** The fret whose space lies under a point; 0 before the nut. */
  readonly fretAt: (x: number) => number
  readonly stringAt: (y: number) => number
}

export interface NeckFacing {
  readonly lowOnTop: boolean
  readonly leftHanded: boolean
}

const WIDTH = 1232
const LEFT = 84
const TOP = 20
const UNDER_BOARD = 68

export function neckLayout(neck: Neck, lastFret: number, facing: NeckFacing): NeckLayout {
  const strings = neck.open.length
  const rowHeight = strings <= 6 ? 31 : Math.max(20, 190 / strings)
  const plainEnd = WIDTH - 14
  const scale = (plainEnd - 10 - LEFT) / fretDistanceMm(neck.scaleLengthMm, lastFret)
  const bottom = TOP + (strings - 1) * rowHeight
  const mirror = (x: number) => (facing.leftHanded ? WIDTH - x : x)
  const fretX = (fret: number) => LEFT + scale * fretDistanceMm(neck.scaleLengthMm, fret)
  const row = (index: number) => (facing.lowOnTop ? index : strings - 1 - index)
  return {
    width: WIDTH,
    height: bottom + UNDER_BOARD,
    nut: mirror(LEFT),
    end: mirror(plainEnd),
    top: TOP,
    bottom,
    strings,
    lastFret,
    rowHeight,
    direction: facing.leftHanded ? -1 : 1,
    scale,
    fretX: (fret) => mirror(fretX(fret)),
    tipX: (fret) => mirror(fret === 0 ? LEFT - 20 : LEFT + scale * fingertipMm(neck.scaleLengthMm, fret)),
    stringY: (index) => TOP + row(index) * rowHeight,
    fretAt: (x) => {
      const plain = mirror(x)
      let fret = 0
      while (fret < lastFret && plain > fretX(fret)) fret++
      return fret
    },
    stringAt: (y) => row(Math.min(strings - 1, Math.max(0, Math.round((y - TOP) / rowHeight)))),
  }
}
