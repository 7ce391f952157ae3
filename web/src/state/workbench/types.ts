import type { ShapesFound } from '@nestling/core/answer'
import type { Chord } from '@nestling/core/chord'
import type { ChoiceField, KeptWish, Player, Question, WayOut } from '@nestling/core/request'
import type { Fingers } from '@nestling/core/shape'
import type { Frets } from '@nestling/core/voicing'

export type Search =
  | { readonly status: 'searching'; readonly last: ShapesFound | undefined }
  | {
      readonly status: 'found'
      readonly result: ShapesFound
      /** Wishes from before that did not fit the chord. */
      readonly gaveWay: readonly KeptWish[]
      /** Shapes there were with them, but none that a player would take. */
      readonly isByTaste: boolean
      /** As it was asked, before they gave way. */
      readonly asked: Question
    }
  | { readonly status: 'failed'; readonly message: string }

/** What can be undone. */
export interface Step {
  readonly question: Question
  /** The shape in hand; all `null` when the neck was cleared. */
  readonly frets: Frets | undefined
  /** The fingering that the player chose for this very shape. */
  readonly fingers: Fingers | undefined
  /** Made by hand: it stays whatever the search finds. */
  readonly byHand: boolean
  /** Nobody asked for its arrangement and strings: the program opened with them, and they give way to what is typed. */
  readonly isUnasked?: boolean
  /** The player said what this is: a shape of that chord keeps the name, also without its root. */
  readonly stated: boolean
}

export interface WorkbenchState extends Step {
  readonly player: Player
  readonly search: Search
  /** A line is being typed that has no shapes yet: this is the last answer, shown faintly. */
  readonly faint: boolean
}

/** A shape shown for a moment: under a dragging finger, or of the row that is pointed at. */
export interface Preview {
  readonly kind: 'drag' | 'look'
  readonly frets: Frets
  readonly chord: Chord | undefined
}

/** Playable shapes that each choice of a word would give, in the order of `choicesOf`. */
export type Counts = Readonly<Partial<Record<ChoiceField, readonly number[]>>>

export interface CountedWayOut extends WayOut {
  readonly playable: number
}
