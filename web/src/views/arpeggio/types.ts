import type { ArpeggioWay, Direction, Pattern } from '@nestling/core/arpeggio'
import type { Chord } from '@nestling/core/chord'
import type { Tuning } from '@nestling/core/neck'
import type { Degree } from '@nestling/core/pitch'
import type { Accent, Metre, NoteValue } from '@nestling/core/time'
import type { Frets } from '@nestling/core/voicing'

export type WayKind = ArpeggioWay['kind']

/** What the player asks for: one value, one address, one step to undo. */
export interface Plan {
  readonly chord: Chord
  readonly tuning: Tuning | undefined
  /** A voicing that was brought along, shown inside the line. */
  readonly shape: Frets | undefined
  readonly way: WayKind
  readonly at: number
  readonly string: number
  /** Of a diagonal line. */
  readonly climb: number
  readonly from: Degree | 'lowest'
  readonly direction: Direction
  readonly pattern: Pattern
  /** Octaves that are played at most. */
  readonly octaves: number | undefined
  readonly value: NoteValue
  readonly accent: Accent
  readonly metre: Metre
  /** Pitches that can be had on two strings, and the string that was chosen: "64:2". */
  readonly chosen: readonly string[]
  /** Which of the offered fingerings, 0 for the best. */
  readonly line: number
  /** The scale that is shown behind the line, by name. */
  readonly scale: string | undefined
  /** The tone that the finder looks for on all strings. */
  readonly find: Degree | undefined
}
