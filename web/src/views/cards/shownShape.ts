/** The shape that a card is about, with as much of it told as does not give the answer away. */
import type { Neck, StringIndex } from '@nestling/core/neck'
import type { Degree } from '@nestling/core/pitch'
import type { Card } from '@nestling/core/practice'
import { type Frets, tonesReader } from '@nestling/core/voicing'

export interface ShownShape {
  readonly frets: Frets
  /** `undefined` where a tone's degree is kept back. */
  readonly degrees: readonly (Degree | null | undefined)[]
  readonly from: number
  readonly to: number
  /** The string that is asked about. */
  readonly asked: StringIndex | undefined
}

const SPAN = 5

export function shownOf(card: Card, neck: Neck, isTold: boolean): ShownShape | undefined {
  const about = aboutOf(card)
  if (!about) return undefined
  const { frets, chord, asked } = about
  const pressed = frets.flatMap((fret) => (fret ? [fret] : []))
  const lowest = pressed.length > 0 ? Math.min(...pressed) : 1
  const highest = pressed.length > 0 ? Math.max(...pressed) : 1
  const from = highest <= SPAN ? 1 : Math.max(1, lowest - 1)
  const known = chord && tonesReader(chord, neck)(frets)?.degrees
  const isOpen = isTold || card.kind === 'play'
  return {
    frets,
    degrees: frets.map((_, string) => (isOpen ? known?.[string] : undefined)),
    from,
    to: Math.max(from + SPAN - 1, highest + 1),
    asked,
  }
}

function aboutOf(card: Card) {
  switch (card.kind) {
    case 'play':
      return { frets: card.shape, chord: card.chord, asked: undefined }
    case 'degree':
      return { frets: card.frets, chord: card.chord, asked: card.string }
    case 'damps':
      return { frets: card.frets, chord: undefined, asked: card.string }
    case 'missing':
    case 'also':
    case 'name':
      return { frets: card.frets, chord: card.chord, asked: undefined }
    default:
      return undefined
  }
}
