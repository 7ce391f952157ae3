import type { Build, ChoiceField, FieldError, Setting, ShapesFound } from '@nestling/core/build'
import type { Chord } from '@nestling/core/chord'
import type { Frets } from '@nestling/core/voicing'

export type Search =
  | { readonly status: 'searching'; readonly last: ShapesFound | undefined }
  | { readonly status: 'found'; readonly result: ShapesFound }
  | { readonly status: 'failed'; readonly message: string }

/** What can be undone. */
export interface Step {
  readonly build: Build
  /** The shape in hand; all `null` when the neck was cleared. */
  readonly frets: Frets | undefined
  /** Made by hand: it stays whatever the search finds. */
  readonly byHand: boolean
}

export interface BuildState extends Step {
  readonly setting: Setting
  readonly search: Search
}

/** What is in the text field, and why it can't be read. */
export interface Typed {
  readonly line: string
  readonly problem: FieldError | undefined
}

/** A shape shown for a moment: under a dragging finger, or of the row that is pointed at. */
export interface Preview {
  readonly kind: 'drag' | 'look'
  readonly frets: Frets
  readonly chord: Chord | undefined
}

/** Playable shapes that each choice of a word would give, in the order of `choicesOf`. */
export type Counts = Readonly<Partial<Record<ChoiceField, readonly number[]>>>

export interface WayOut {
  readonly giveUp: 'reach' | 'strings' | 'arrangement' | 'bass' | 'omit'
  readonly build: Build
  readonly playable: number
}
