/** The part of the neck that a run shows: the frets of this place and the next, as large as they can be. */
import { FINGERTIP_BEHIND_WIRE, fretDistanceMm, type Neck } from '@nestling/core/neck'
import type { Frets } from '@nestling/core/voicing'

export interface RunWindow {
  readonly width: number
  readonly height: number
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
  readonly from: number
  readonly to: number
  readonly row: number
  /** Half an egg's length. */
  readonly egg: number
  readonly strings: number
  readonly direction: 1 | -1
  /** The next place lies too far off to be in it. */
  readonly isFar: boolean
  /** Of the wire behind a fret's space. */
  readonly wireX: (fret: number) => number
  /** Of the fingertip; an open string's stands before the nut. */
  readonly tipX: (fret: number) => number
  readonly y: (string: number) => number
}

export interface WindowAsk {
  readonly now: Frets | undefined
  readonly next: Frets | undefined
  readonly neck: Neck
  /** Of the drawing, in px. */
  readonly width: number
  readonly lowOnTop: boolean
  readonly leftHanded: boolean
}

/** More frets than this make every one of them small: the next place is then told in words. */
const MOST_FRETS = 10
const FEWEST_FRETS = 5
/** Below this width only the place under the hand is shown. */
export const NARROW = 620

const pressed = (frets: Frets | undefined): readonly number[] => (frets ?? []).flatMap((fret) => (fret ? [fret] : []))

export function runWindow({ now, next, neck, width, lowOnTop, leftHanded }: WindowAsk): RunWindow {
  const isNarrow = width < NARROW
  const here = pressed(now)
  const both = [...here, ...pressed(next)]
  const spans = (frets: readonly number[]) => Math.max(...frets) - Math.min(...frets) + 3
  const isFar = both.length > here.length && (isNarrow || spans(both) > MOST_FRETS)
  const seen = isFar && here.length > 0 ? here : both.length > 0 ? both : [1, 5]
  const low = Math.max(1, Math.min(...seen) - 1)
  const from = Math.max(1, Math.min(low, Math.max(...seen) + 2 - FEWEST_FRETS))
  const to = Math.min(neck.lastFret, Math.max(Math.max(...seen) + 1, from + FEWEST_FRETS - 1))
  const strings = neck.open.length
  const row = isNarrow ? 36 : Math.min(56, 336 / strings)
  const left = isNarrow ? 62 : 112
  const right = isNarrow ? 54 : 130
  const top = row / 2 + 2
  const bottom = top + (strings - 1) * row
  const begin = fretDistanceMm(neck.scaleLengthMm, from - 1)
  const scale = (width - left - right) / (fretDistanceMm(neck.scaleLengthMm, to) - begin)
  const flip = (x: number) => (leftHanded ? width - x : x)
  const wire = (fret: number) => left + scale * (fretDistanceMm(neck.scaleLengthMm, fret) - begin)
  return {
    width,
    height: bottom + row / 2 + 50,
    left,
    right,
    top,
    bottom,
    from,
    to,
    row,
    egg: Math.min(32, row * 0.57),
    strings,
    direction: leftHanded ? -1 : 1,
    isFar,
    wireX: (fret) => flip(wire(fret)),
    tipX: (fret) => flip(fret === 0 ? left - 26 : wire(fret) - (wire(fret) - wire(fret - 1)) * FINGERTIP_BEHIND_WIRE),
    y: (string) => top + (lowOnTop ? string : strings - 1 - string) * row,
  }
}
