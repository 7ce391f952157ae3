/** What is drawn on a page: a list of plain marks, in mm from the page's corner. The screen, paper and files draw the same list. */
import type { ToneWeight } from '../pitch/index.ts'
import type { WrittenBar } from '../time/index.ts'

export type Role = 'ink' | 'soft' | 'rule' | 'string' | 'ease' | 'third' | 'seventh' | 'fifth' | 'extension'
export type Face = 'sans' | 'bold' | 'italic' | 'serif'

export type Mark =
  | {
      readonly kind: 'line'
      readonly x1: number
      readonly y1: number
      readonly x2: number
      readonly y2: number
      readonly width: number
      readonly role: Role
      readonly dashed?: boolean | undefined
    }
  | {
      readonly kind: 'text'
      readonly x: number
      /** Of the baseline. */
      readonly y: number
      /** Of the letters, in mm: 3.6 is 10.2 points. */
      readonly size: number
      readonly face: Face
      readonly role: Role
      readonly text: string
      readonly anchor?: 'start' | 'middle' | 'end' | undefined
      /** Paper behind it, so wide: no line goes through a number. */
      readonly backed?: number | undefined
    }
  | {
      readonly kind: 'egg'
      readonly x: number
      readonly y: number
      /** Half its length. */
      readonly size: number
      readonly weight: ToneWeight
      readonly look: 'sounding' | 'ghost'
      /** Moved against the chord before: ringed. */
      readonly ringed?: boolean | undefined
      readonly label?: string | undefined
    }
  /** From a tone's place to where it is now. */
  | { readonly kind: 'arc'; readonly x1: number; readonly x2: number; readonly y: number; readonly role: Role }
  /** Staff and TAB, which the engraver draws into this room. */
  | {
      readonly kind: 'staff'
      readonly x: number
      readonly y: number
      readonly width: number
      readonly height: number
      readonly strings: number
      readonly bars: readonly WrittenBar[]
      /** Sharps behind the clef, flats below zero. */
      readonly fifths?: number | undefined
      /** Of each bar, in mm, where they stand under something; else by what they hold. */
      readonly widths?: readonly number[] | undefined
      /** The music begins, or ends, with this system. */
      readonly begins: boolean
      readonly ends: boolean
    }

/** How wide a text is, in mm. */
export type Measure = (text: string, face: Face, size: number) => number

export const line = (x1: number, y1: number, x2: number, y2: number, role: Role, width = 0.18): Mark => ({
  kind: 'line',
  x1,
  y1,
  x2,
  y2,
  width,
  role,
})

export const text = (
  x: number,
  y: number,
  words: string,
  how: {
    readonly size?: number
    readonly face?: Face
    readonly role?: Role
    readonly anchor?: 'start' | 'middle' | 'end'
  } = {},
): Mark => ({
  kind: 'text',
  x,
  y,
  text: printable(words),
  size: how.size ?? SMALL,
  face: how.face ?? 'sans',
  role: how.role ?? 'ink',
  anchor: how.anchor,
})

/** The smallest letters on a sheet: 10.2 points. */
export const SMALL = 3.6
export const NAME = 5.2
export const TITLE = 8.6

/** The faces that a paper carries have no doubled accidentals: they are written as two. */
export const printable = (words: string): string => words.replaceAll('𝄫', '♭♭').replaceAll('𝄪', '♯♯')

/** A text that has too little room, ended with dots. */
export function fitted(words: string, room: number, measure: Measure, face: Face, size: number): string {
  if (measure(words, face, size) <= room) return words
  const letters = [...words]
  while (letters.length > 1 && measure(`${letters.join('')}…`, face, size) > room) letters.pop()
  return `${letters.join('')}…`
}

export function moved(mark: Mark, dx: number, dy: number): Mark {
  switch (mark.kind) {
    case 'line':
      return { ...mark, x1: mark.x1 + dx, x2: mark.x2 + dx, y1: mark.y1 + dy, y2: mark.y2 + dy }
    case 'arc':
      return { ...mark, x1: mark.x1 + dx, x2: mark.x2 + dx, y: mark.y + dy }
    default:
      return { ...mark, x: mark.x + dx, y: mark.y + dy }
  }
}
