/** The staircase to scale: which fret stands where, which string of which step. */
import type { Lane, LaneStep } from '@nestling/core/lane'
import { fingertipMm, fretDistanceMm, type Neck } from '@nestling/core/neck'
import type { Frets } from '@nestling/core/voicing'

export interface StairLayout {
  readonly width: number
  readonly height: number
  /** Where the strings begin: the nut, or the capo. */
  readonly nut: number
  /** Fret 0, or the capo's. */
  readonly firstFret: number
  readonly end: number
  readonly lastFret: number
  readonly direction: 1 | -1
  /** Strings that take room in every row, lowest first. */
  readonly strings: readonly number[]
  /** Those of them that no shape of the lane sounds. */
  readonly silent: ReadonlySet<number>
  readonly rowHeight: number
  /** Between two sounding strings. */
  readonly pitch: number
  readonly fretX: (fret: number) => number
  readonly tipX: (fret: number) => number
  /** @param step 1 to 7, the first at the foot. */
  readonly stringY: (step: number, string: number) => number
  readonly rowTop: (step: number) => number
}

export interface StairFacing {
  readonly width: number
  readonly height: number
  readonly lowOnTop: boolean
  readonly leftHanded: boolean
}

/** Room for open strings; where many ring, two columns of them. */
const BEFORE = 26
const BEFORE_RINGING = 40
/** From one column of open strings to the other. */
export const OPEN_ASIDE = 16
const AFTER = 8
/** No two strings stand further apart than this, however much room there is. */
const MOST_PITCH = 16
const STEPS = 7

export interface Ruled {
  readonly scaleLengthMm: number
  readonly lastFret: number
  readonly width: number
  readonly leftHanded: boolean
  /** Open strings ring on: they have more room before the nut. */
  readonly rings: boolean
}

/** Where a length along the strings lies in a lane, in px from its left. */
export function alongStrings({ scaleLengthMm, lastFret, width, leftHanded, rings }: Ruled): (mm: number) => number {
  const before = rings ? BEFORE_RINGING : BEFORE
  const scale = (width - before - AFTER) / fretDistanceMm(scaleLengthMm, lastFret)
  return (mm) => (leftHanded ? width - before - scale * mm : before + scale * mm)
}

const used = ({ shape, refused, instead }: LaneStep): readonly Frets[] =>
  [shape?.frets, refused, instead?.shape.frets].flatMap((frets) => (frets ? [frets] : []))

export function stairLayout(lane: Lane, neck: Neck, lastFret: number, facing: StairFacing): StairLayout {
  const { width, height, lowOnTop, leftHanded } = facing
  const sounding = new Set(
    lane.steps.flatMap((step) =>
      used(step).flatMap((frets) => frets.flatMap((fret, string) => (fret === null ? [] : [string]))),
    ),
  )
  const lowest = sounding.size === 0 ? 0 : Math.min(...sounding)
  const highest = sounding.size === 0 ? neck.open.length - 1 : Math.max(...sounding)
  const strings = Array.from({ length: highest - lowest + 1 }, (_, index) => lowest + index)
  const rowHeight = height / STEPS
  // A silent string between is thinner than a sounding one.
  const share = (string: number) => (sounding.has(string) ? 1 : 0.45)
  const places = strings.map((string, index) =>
    strings
      .slice(0, index)
      .reduce((sum, one) => sum + (share(one) + share(strings[strings.indexOf(one) + 1] ?? string)) / 2, 0),
  )
  const all = places.at(-1) ?? 0
  const pitch = Math.min(MOST_PITCH, (rowHeight - 21) / Math.max(1, all))
  const { scaleLengthMm } = neck
  const along = alongStrings({ scaleLengthMm, lastFret, width, leftHanded, rings: lane.ask.kind === 'tones' })
  const direction = leftHanded ? -1 : 1
  const open = Math.min(...neck.firstFret) - 1
  const nut = along(fretDistanceMm(scaleLengthMm, open))
  const inset = (rowHeight - all * pitch) / 2
  const rowTop = (step: number) => (STEPS - step) * rowHeight
  return {
    width,
    height,
    nut,
    firstFret: open,
    end: leftHanded ? AFTER : width - AFTER,
    lastFret,
    direction,
    strings,
    silent: new Set(strings.filter((string) => !sounding.has(string))),
    rowHeight,
    pitch,
    fretX: (fret) => along(fretDistanceMm(scaleLengthMm, fret)),
    tipX: (fret) => (fret === 0 ? nut - direction * 12 : along(fingertipMm(scaleLengthMm, fret))),
    stringY: (step, string) => {
      const place = (places[strings.indexOf(string)] ?? 0) * pitch
      return lowOnTop ? rowTop(step) + inset + place : rowTop(step) + rowHeight - inset - place
    },
    rowTop,
  }
}
