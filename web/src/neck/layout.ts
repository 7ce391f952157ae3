/** Where frets, strings and fingertips are drawn: the neck to scale, in the units of one drawing. */
import { fingertipMm, fretDistanceMm, type Neck } from '@nestling/core/neck'

export interface NeckLayout {
  readonly width: number
  readonly height: number
  /** The nut and the far end, wherever they lie. */
  readonly nut: number
  readonly end: number
  /** Room before the nut. */
  readonly before: number
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

/** What stands beside the board: before the nut, after the last fret, and under the lowest string. */
export interface NeckMargins {
  readonly before: number
  readonly after: number
  readonly under: number
}
/** Numbers and names of the strings only. */
export const PLAIN_MARGINS: NeckMargins = { before: 84, after: 14, under: 68 }
/** With the right hand's letters before the nut, and the notes that sound after the last fret. */
export const TOLD_MARGINS: NeckMargins = { before: 108, after: 84, under: 40 }
/** With the notes of a line after the last fret; its ruler stands below the drawing. */
export const LINE_MARGINS: NeckMargins = { before: 84, after: 74, under: 16 }

const WIDTH = 1232
const TOP = 20

export function neckLayout(
  neck: Neck,
  lastFret: number,
  facing: NeckFacing,
  { before, after, under }: NeckMargins = PLAIN_MARGINS,
): NeckLayout {
  const strings = neck.open.length
  const rowHeight = strings <= 6 ? 31 : Math.max(20, 190 / strings)
  const plainEnd = WIDTH - after
  const scale = (plainEnd - 10 - before) / fretDistanceMm(neck.scaleLengthMm, lastFret)
  const bottom = TOP + (strings - 1) * rowHeight
  const mirror = (x: number) => (facing.leftHanded ? WIDTH - x : x)
  const fretX = (fret: number) => before + scale * fretDistanceMm(neck.scaleLengthMm, fret)
  // Asked for every shape of a long list: counted once.
  const tips = Array.from({ length: lastFret + 1 }, (_, fret) =>
    mirror(fret === 0 ? before - 20 : before + scale * fingertipMm(neck.scaleLengthMm, fret)),
  )
  const row = (index: number) => (facing.lowOnTop ? index : strings - 1 - index)
  return {
    width: WIDTH,
    height: bottom + under,
    nut: mirror(before),
    end: mirror(plainEnd),
    before,
    top: TOP,
    bottom,
    strings,
    lastFret,
    rowHeight,
    direction: facing.leftHanded ? -1 : 1,
    scale,
    fretX: (fret) => mirror(fretX(fret)),
    tipX: (fret) => tips[fret] ?? mirror(before + scale * fingertipMm(neck.scaleLengthMm, fret)),
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
