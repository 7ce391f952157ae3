/**
 * The sheet of a map as one neck cut into lanes: a lane for each string set, all on one ruler of frets.
 *   ChordMap rows ─laneSheet(facing)→ Lane[]: wires, places with their tones, ghosts and words, in the units of the drawing
 * What a lane shows is what the engine lists: each place once, each tone where its string and fret are.
 */
import type { MapGap, MapPlace, MapRow, WhyNone } from '@nestling/core/map'
import { placesOf } from '@nestling/core/map'
import { fingertipMm, fretDistanceMm, type Neck, type StringSet } from '@nestling/core/neck'
import type { Degree } from '@nestling/core/pitch'
import type { NeckFacing } from '../../../neck/layout.ts'

export interface DrawnTone {
  readonly string: number
  readonly fret: number
  readonly x: number
  readonly y: number
  readonly degree: Degree
  /** Where it came from; `undefined` where it did not move or its old place is not on the string. */
  readonly from: { readonly x: number; readonly degree: Degree } | undefined
  readonly moved: boolean
}

export interface DrawnPlace {
  readonly row: number
  readonly place: MapPlace
  /** From the lowest string up. */
  readonly tones: readonly DrawnTone[]
  readonly box: Box
  /** The words beside it and the middle of them; `undefined` where there is no room. */
  readonly words: { readonly x: number; readonly y: number; readonly name: string; readonly told: string } | undefined
}

export interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

export interface Lane {
  /** In the map. */
  readonly row: number
  readonly strings: StringSet
  readonly top: number
  readonly height: number
  readonly wires: readonly { readonly string: number; readonly y: number; readonly silent: boolean }[]
  readonly egg: number
  readonly places: readonly DrawnPlace[]
  /** Basses over which there is no place on these strings. */
  readonly missing: readonly MapGap[]
}

export interface LaneSheet {
  readonly width: number
  readonly height: number
  /** The nut, or the wire before the first fret in sight. */
  readonly left: number
  readonly right: number
  readonly direction: 1 | -1
  readonly frets: readonly {
    readonly fret: number
    readonly wire: number
    readonly middle: number
    readonly width: number
  }[]
  readonly fromNut: boolean
  readonly lanes: readonly Lane[]
  /** String sets on which nothing lies, by why. */
  readonly folded: readonly { readonly why: WhyNone; readonly strings: readonly StringSet[] }[]
  readonly tipX: (fret: number) => number
}

export interface SheetRoom extends NeckFacing {
  readonly width: number
  /** What all lanes should fit into; they take more when they must. */
  readonly height: number
  /** The words of a place: a name, and what is told of it. */
  readonly wordsOf: (place: MapPlace) => { readonly name: string; readonly told: string }
}

/** Room for the names of the string sets, and for open strings before the nut. */
export const NAMES = 104
const OPEN_ASIDE = 13
const RIGHT = 10
/** Between two strings of neighbouring strings, and of a set with a gap. */
const PITCH = 16
const GAP_PITCH = 10
/** A lane's room over its strings, and under them: words stand under neighbouring strings, and on the silent string of a gap. */
const OVER = 9
const UNDER = 22
const UNDER_GAP = 8
const LEAST_SCALE = 0.88
const MOST_SCALE = 1.7
const EGG = 0.62
const NARROWEST = 5

const hasGap = (strings: StringSet): boolean =>
  strings.some((string, at) => at > 0 && string !== (strings[at - 1] ?? 0) + 1)

export function laneSheet(rows: readonly MapRow[], neck: Neck, room: SheetRoom): LaneSheet {
  const shown = rows.map((row, index) => ({ ...row, index, places: placesOf(row) }))
  const filled = shown.filter(({ places }) => places.length > 0)
  const { tipX, ...ruler } = fretRuler(
    filled.flatMap(({ places }) => places),
    neck,
    room,
  )
  const spans = (strings: StringSet) => (strings.at(-1) ?? 0) - (strings[0] ?? 0)
  const fixed = filled.reduce((sum, { strings }) => sum + OVER + (hasGap(strings) ? UNDER_GAP : UNDER), 0)
  const pitches = filled.reduce((sum, { strings }) => sum + spans(strings) * (hasGap(strings) ? GAP_PITCH : PITCH), 0)
  const scale = Math.min(MOST_SCALE, Math.max(LEAST_SCALE, (room.height - fixed) / Math.max(1, pitches)))
  let top = 0
  const lanes = filled.map(({ index, strings, places, cells }): Lane => {
    const gap = hasGap(strings)
    const pitch = (gap ? GAP_PITCH : PITCH) * scale
    const egg = pitch * EGG
    const lowest = strings[0] ?? 0
    const highest = strings.at(-1) ?? 0
    const laneTop = top
    const y = (string: number) => laneTop + OVER + (room.lowOnTop ? string - lowest : highest - string) * pitch
    const wires = Array.from({ length: spans(strings) + 1 }, (_, at) => lowest + at).map((string) => ({
      string,
      y: y(string),
      silent: !strings.includes(string),
    }))
    const height = OVER + spans(strings) * pitch + (gap ? UNDER_GAP : UNDER)
    top += height
    const silent = wires.find((wire) => wire.silent)
    const wordsY = silent ? silent.y + 3.6 : laneTop + height - 4
    const drawn = places.map((place): DrawnPlace => {
      const tones = tonesOf(place, tipX, y, neck)
      return { row: index, place, tones, box: boxAround(tones, egg), words: undefined }
    })
    const missing = cells.filter((cell) => cell.kind === 'gap')
    return { row: index, strings, top: laneTop, height, wires, egg, places: withWords(drawn, wordsY, room), missing }
  })
  return { ...ruler, width: room.width, height: top, lanes, folded: foldedOf(shown), tipX }
}

function tonesOf(
  { frets, degrees, from }: MapPlace,
  tipX: (fret: number) => number,
  y: (string: number) => number,
  neck: Neck,
): readonly DrawnTone[] {
  return frets.flatMap((fret, string): readonly DrawnTone[] => {
    const degree = degrees[string]
    if (fret === null || !degree) return []
    const came = from.find((one) => one.string === string)
    const was =
      came?.fret !== undefined && came.fret <= neck.lastFret ? { x: tipX(came.fret), degree: came.degree } : undefined
    return [{ string, fret, x: tipX(fret), y: y(string), degree, from: was, moved: came !== undefined }]
  })
}

function boxAround(tones: readonly DrawnTone[], egg: number): Box {
  const xs = tones.flatMap(({ x, from }) => (from ? [x, from.x] : [x]))
  const ys = tones.map(({ y }) => y)
  const x = Math.min(...xs) - egg - 5
  const y = Math.min(...ys) - egg - 2
  return { x, y, width: Math.max(...xs) + egg + 5 - x, height: Math.max(...ys) + egg + 2 - y }
}

/** In print of eleven pixels: a letter is seldom wider. */
const LETTER = 6.1
const wide = (text: string): number => [...text].length * LETTER

/** Words under one another's shapes step aside; where there is no room, first the name goes, then all. */
function withWords(places: readonly DrawnPlace[], y: number, room: SheetRoom): readonly DrawnPlace[] {
  const least = room.leftHanded ? RIGHT : NAMES
  const most = room.width - (room.leftHanded ? NAMES : RIGHT)
  let end = least
  const byX = places.toSorted((a, b) => middleOf(a) - middleOf(b))
  const placed = new Map<DrawnPlace, DrawnPlace['words']>()
  for (const drawn of byX) {
    const { name, told } = room.wordsOf(drawn.place)
    const middle = middleOf(drawn)
    for (const words of [
      { name, told },
      { name: '', told },
    ]) {
      const width = wide(words.name) + (words.name === '' ? 0 : 4) + wide(words.told)
      const x = Math.max(end + width / 2 + 6, Math.min(most - width / 2, middle))
      // Too far aside they would be read as another's.
      if (Math.abs(x - middle) > 34 || x + width / 2 > most) continue
      placed.set(drawn, { x, y, ...words })
      end = x + width / 2
      break
    }
  }
  return places.map((drawn) => ({ ...drawn, words: placed.get(drawn) }))
}

const middleOf = ({ tones }: DrawnPlace): number => {
  const xs = tones.map(({ x }) => x)
  return (Math.min(...xs) + Math.max(...xs)) / 2
}

/** The frets in sight: all that is drawn and one more; from the nut unless all lies far from it. */
function fretRuler(places: readonly MapPlace[], neck: Neck, { width, leftHanded }: SheetRoom) {
  const used = places.flatMap(({ frets, from }) => [...frets, ...from.map(({ fret }) => fret ?? null)])
  const frets = used.filter((fret): fret is number => fret !== null)
  const lowest = Math.min(...frets, neck.lastFret)
  const first = lowest <= 3 ? 0 : lowest - 2
  const last = Math.min(neck.lastFret, Math.max(first + NARROWEST, ...frets.map((fret) => fret + 1)))
  const before = NAMES + (first === 0 ? OPEN_ASIDE * 1.6 : 0)
  const start = fretDistanceMm(neck.scaleLengthMm, first)
  const perMm = (width - RIGHT - before) / (fretDistanceMm(neck.scaleLengthMm, last) - start)
  const flip = (x: number) => (leftHanded ? width - x : x)
  const wireX = (fret: number) => flip(before + (fretDistanceMm(neck.scaleLengthMm, fret) - start) * perMm)
  const tipX = (fret: number) =>
    flip(fret === 0 ? before - OPEN_ASIDE : before + (fingertipMm(neck.scaleLengthMm, fret) - start) * perMm)
  return {
    left: wireX(first),
    right: wireX(last),
    direction: leftHanded ? (-1 as const) : (1 as const),
    fromNut: first === 0,
    frets: Array.from({ length: last - first }, (_, at) => first + at + 1).map((fret) => ({
      fret,
      wire: wireX(fret),
      middle: (wireX(fret) + wireX(fret - 1)) / 2,
      width: Math.abs(wireX(fret) - wireX(fret - 1)),
    })),
    tipX,
  }
}

/** Sets without any place, under the reason that most of their basses have. */
function foldedOf(rows: readonly (MapRow & { readonly places: readonly MapPlace[] })[]): LaneSheet['folded'] {
  const byWhy = new Map<WhyNone, StringSet[]>()
  for (const { strings, places, cells } of rows) {
    if (places.length > 0) continue
    const whys = cells.flatMap((cell) => (cell.kind === 'gap' ? [cell.why] : []))
    const why = NEAREST_FIRST.find((one) => whys.includes(one)) ?? 'nowhere'
    byWhy.set(why, [...(byWhy.get(why) ?? []), strings])
  }
  return [...byWhy].map(([why, strings]) => ({ why, strings }))
}

/** The reason that is told of a set is that which asks for least. */
const NEAREST_FIRST: readonly WhyNone[] = ['open', 'frets', 'neck', 'several', 'nowhere']

/** The place that lies nearest to a point of a lane, by its tones and the thread between them; none further than `within`. */
export function placeAt({ places }: Lane, x: number, y: number, within = 22): DrawnPlace | undefined {
  let best: { readonly drawn: DrawnPlace; readonly far: number } | undefined
  for (const drawn of places) {
    const far = Math.min(
      ...drawn.tones.map((tone, at) => {
        const next = drawn.tones[at + 1]
        return Math.min(
          Math.hypot(tone.x - x, tone.y - y) - 3,
          next ? fromThread(tone, next, x, y) : Number.POSITIVE_INFINITY,
          tone.from ? Math.hypot(tone.from.x - x, tone.y - y) : Number.POSITIVE_INFINITY,
        )
      }),
    )
    if (far <= within && (best === undefined || far < best.far)) best = { drawn, far }
  }
  return best?.drawn
}

/** How far a point is from the straight line between two tones. */
function fromThread(a: DrawnTone, b: DrawnTone, x: number, y: number): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const long = dx * dx + dy * dy
  const along = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / long))
  return Math.hypot(a.x + along * dx - x, a.y + along * dy - y)
}

/** The place that the arrows lead to: along the lane by order, to another lane by where the hand would be. */
export function placeBeside(
  lanes: readonly Lane[],
  at: MapPlace,
  to: 'left' | 'right' | 'up' | 'down',
): MapPlace | undefined {
  const laneAt = lanes.findIndex(({ places }) => places.some(({ place }) => place === at))
  const lane = lanes[laneAt]
  if (!lane) return lanes[0]?.places[0]?.place
  const index = lane.places.findIndex(({ place }) => place === at)
  if (to === 'left' || to === 'right') return lane.places[index + (to === 'right' ? 1 : -1)]?.place
  const here = lane.places[index]
  const other = lanes[laneAt + (to === 'down' ? 1 : -1)]
  if (!other || !here) return undefined
  return other.places.toSorted(
    (a, b) => Math.abs(middleOf(a) - middleOf(here)) - Math.abs(middleOf(b) - middleOf(here)),
  )[0]?.place
}
