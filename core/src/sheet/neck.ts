/** Necks on paper: one window of frets, eggs where tones lie, the hand as a bar under it. */
import {
  type Degree,
  type NamingSystem,
  type NoteName,
  type ToneWeight,
  toneWeight,
  withSigns,
  writeNote,
} from '../pitch/index.ts'
import { line, type Mark, text } from './marks.ts'
import type { SheetLabels } from './types.ts'

/** How the player's necks are drawn everywhere. */
export interface Facing {
  readonly leftHanded: boolean
  readonly lowOnTop: boolean
}

export interface NeckRoom extends Facing {
  readonly x: number
  /** Of the first string. */
  readonly y: number
  readonly width: number
  readonly strings: number
  /** The frets in sight. */
  readonly from: number
  readonly to: number
  /** Between two strings. */
  readonly pitch: number
  /** Lying, or upright: the nut above, frets downwards. */
  readonly upright?: boolean | undefined
  /** Of a fret, where the neck stands upright. */
  readonly fretHeight?: number | undefined
}

export interface TonePlace {
  readonly string: number
  readonly fret: number
  readonly degree: Degree
  readonly label?: string | undefined
  readonly look?: 'sounding' | 'ghost' | undefined
  readonly ringed?: boolean | undefined
}

const BEFORE_NUT = 5
/** Frets that players count by. */
const LANDMARKS = new Set([3, 5, 7, 9, 12, 15, 17, 19, 21, 24])
export const EGG = 2.3

/** Where frets and strings lie in the room. */
export function neckGrid(room: NeckRoom) {
  const { strings, from, to, pitch } = room
  const count = to - from + 1
  if (room.upright) {
    const each = room.fretHeight ?? 5
    const across = (string: number) => room.x + (room.leftHanded ? strings - 1 - string : string) * pitch
    return {
      each,
      x: across,
      at: (string: number, fret: number) => ({
        x: across(string),
        y: fret === 0 ? room.y - 3 : room.y + (fret - from + 0.5) * each,
      }),
      bottom: room.y + count * each,
      right: room.x + (strings - 1) * pitch,
    }
  }
  const start = room.x + BEFORE_NUT
  const each = (room.width - BEFORE_NUT) / count
  const flip = (x: number) => (room.leftHanded ? room.x + room.width - (x - room.x) : x)
  const y = (string: number) => room.y + (room.lowOnTop ? string : strings - 1 - string) * pitch
  return {
    each,
    x: (string: number) => y(string),
    at: (string: number, fret: number) => ({
      x: flip(fret === 0 ? room.x + BEFORE_NUT / 2 : start + (fret - from + 0.5) * each),
      y: y(string),
    }),
    bottom: room.y + (strings - 1) * pitch,
    right: flip(room.x + room.width),
  }
}

/** The empty neck with its landmarks. */
export function neckMarks(room: NeckRoom, numbers: 'landmarks' | 'all' | 'none' = 'landmarks'): readonly Mark[] {
  const { strings, from, to } = room
  const grid = neckGrid(room)
  const frets = Array.from({ length: to - from + 1 }, (_, index) => from + index)
  const isTold = (fret: number) =>
    numbers === 'all' || (numbers === 'landmarks' && (LANDMARKS.has(fret) || fret === from))
  const strength = (string: number) => 0.34 - (0.2 * string) / Math.max(1, strings - 1)
  if (room.upright) {
    const [left, right] = [grid.x(0), grid.x(strings - 1)]
    return [
      ...[from - 1, ...frets].map((fret) => {
        const y = room.y + (fret - from + 1) * grid.each
        return line(left, y, right, y, fret === 0 ? 'ink' : 'rule', fret === 0 ? 0.9 : 0.2)
      }),
      ...Array.from({ length: strings }, (_, string) =>
        line(grid.x(string), room.y, grid.x(string), grid.bottom, 'string', strength(string)),
      ),
      ...frets
        .filter((fret) => fret === from || LANDMARKS.has(fret))
        .map((fret) =>
          text(Math.min(left, right) - 3.6, grid.at(0, fret).y + 1.2, String(fret), {
            size: 3,
            role: 'soft',
            anchor: 'end',
          }),
        ),
    ]
  }
  const edge = (fret: number) => {
    const inner = grid.at(0, fret).x
    return room.leftHanded ? inner - grid.each / 2 : inner + grid.each / 2
  }
  const nut = room.leftHanded ? edge(from) + grid.each : edge(from) - grid.each
  const [top, bottom] = [room.y, grid.bottom]
  return [
    line(nut, top, nut, bottom, from === 1 ? 'ink' : 'rule', from === 1 ? 0.8 : 0.2),
    ...frets.map((fret) => line(edge(fret), top, edge(fret), bottom, 'rule', 0.2)),
    ...Array.from({ length: strings }, (_, string) =>
      line(nut, grid.x(string), edge(to), grid.x(string), 'string', strength(string)),
    ),
    ...frets.filter(isTold).map((fret) =>
      text(grid.at(0, fret).x, bottom + 6.2, String(fret), {
        size: 3.2,
        role: 'soft',
        anchor: 'middle',
        face: fret % 12 === 0 ? 'bold' : 'sans',
      }),
    ),
  ]
}

/** The tones of a shape, a thin thread through them, and the bar of the hand. */
export function shapeMarks(
  room: NeckRoom,
  tones: readonly TonePlace[],
  {
    hand = true,
    thread = true,
    egg = EGG,
  }: { readonly hand?: boolean; readonly thread?: boolean; readonly egg?: number } = {},
): readonly Mark[] {
  const grid = neckGrid(room)
  const sounding = tones.filter(({ look = 'sounding' }) => look === 'sounding').toSorted((a, b) => a.string - b.string)
  const placed = tones.map((tone) => ({ ...tone, ...grid.at(tone.string, tone.fret) }))
  const pressed = sounding.filter(({ fret }) => fret > 0).map(({ fret }) => fret)
  const marks: Mark[] = []
  if (thread)
    for (const [index, tone] of sounding.entries()) {
      const next = sounding[index + 1]
      if (!next) continue
      const [a, b] = [grid.at(tone.string, tone.fret), grid.at(next.string, next.fret)]
      marks.push(line(a.x, a.y, b.x, b.y, 'soft', 0.16))
    }
  if (hand && !room.upright && pressed.length > 0) {
    const [a, b] = [grid.at(0, Math.min(...pressed)).x, grid.at(0, Math.max(...pressed)).x]
    const half = grid.each * 0.42
    const [left, right] = [Math.min(a, b) - half, Math.max(a, b) + half]
    marks.push({
      kind: 'line',
      x1: left,
      x2: right,
      y1: grid.bottom + 2.7,
      y2: grid.bottom + 2.7,
      width: 0.9,
      role: 'ease',
    })
  }
  for (const { x, y, degree, look = 'sounding', label, ringed } of placed)
    marks.push({
      kind: 'egg',
      x,
      y,
      size: egg,
      weight: toneWeight(degree) satisfies ToneWeight,
      look,
      ...(label ? { label } : {}),
      ...(ringed ? { ringed } : {}),
    })
  return marks
}

/** What stands in an egg. */
export function labelOf(
  labels: SheetLabels,
  tone: {
    readonly degree: Degree
    readonly note?: NoteName | null | undefined
    readonly finger?: number | string | null | undefined
  },
  naming: NamingSystem,
): string {
  switch (labels) {
    case 'none':
      return ''
    case 'degree':
      return withSigns(tone.degree)
    case 'note':
      return tone.note ? writeNote(tone.note, naming) : ''
    case 'finger':
      return tone.finger === null || tone.finger === undefined ? '' : String(tone.finger)
  }
}
