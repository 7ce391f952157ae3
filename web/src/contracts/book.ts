/** What the Book holds, as its page is given it. */
import type { BlockKind, Paper } from '@nestling/core/sheet'
import type { TuneChord } from '@nestling/core/tune'
import type { KeptSet } from './progression.ts'
import type { KeptTune } from './tune.ts'

/** A list shows as many chords of a tune of which no shape is kept. */
export const TUNE_CHORDS_SHOWN = 8

export interface BookTune extends Pick<KeptTune, 'id' | 'title' | 'version'> {
  /** Where none of its shapes is kept, the first of its chords with the shapes of its way through. */
  readonly chords?: readonly TuneChord[]
  readonly moreChords?: number
  /** How many shapes are kept under it. */
  readonly count: number
  /** Metre, style and key, as they are written. */
  readonly about: string
}

export interface BookSheet {
  readonly id: number
  readonly title: string
  readonly version: number
  readonly createdAt: string
  readonly paper: Paper
  readonly lying: boolean
  readonly blocks: readonly BlockKind[]
}

export interface BookContents {
  readonly shapes: number
  readonly inNone: number
  readonly tunes: readonly BookTune[]
  /** As many more are kept than are listed. */
  readonly moreTunes: number
  readonly tags: readonly { readonly tag: string; readonly count: number }[]
  readonly sets: readonly KeptSet[]
  readonly moreSets: number
  readonly sheets: readonly BookSheet[]
  readonly moreSheets: number
  /** How many rows could not be read. */
  readonly unreadable: number
}

/** Where all of it lies, and how large it is. */
export interface AboutData {
  readonly folder: string
  /** Of the database with its log. */
  readonly bytes: number
  readonly copies: number
  readonly copiesBytes: number
}

/** A row that could not be read. */
export interface UnreadableRow {
  readonly id: number
  readonly kind: 'shape' | 'tune' | 'set' | 'sheet' | 'setting' | 'instrument' | 'tuning' | 'entry of the log'
  /** Its name, as far as it has one. */
  readonly title: string
  /** The place in the row and what is wrong there: `tags: no JSON`. */
  readonly reason: string
  /** When it was found, ISO 8601. */
  readonly at: string
}

/** What was deleted and can still be brought back. */
export interface DeletedThing {
  readonly kind: 'shape' | 'tune' | 'set' | 'sheet'
  readonly id: number
  readonly title: string
  /** ISO 8601. */
  readonly at: string
}
/** Older ones stay in the database, and come back only by their number. */
export const DELETED_LISTED = 100

/** Where a shape stands, and how it went. */
export interface ShapeHistory {
  readonly tunes: readonly {
    readonly id: number
    readonly title: string
    /** Played bars, 1 the first. */
    readonly bars: readonly number[]
    /** What comes after it there first. */
    readonly leadsTo: { readonly symbol: string; readonly frets: string | null } | undefined
  }[]
  /** Roots of runs and cards with this very shape. */
  readonly played: { readonly times: number; readonly clean: number | null; readonly last: string | null }
  readonly same: readonly { readonly id: number; readonly name: string }[]
}

export const COPY_REASONS = ['by-hand', 'before-migration', 'before-reading', 'before-going-back'] as const
export type CopyReason = (typeof COPY_REASONS)[number]

/** A copy of the whole notebook. */
export interface Copy {
  /** Its file's name, and its number to the outside. */
  readonly id: string
  readonly reason: CopyReason
  /** ISO 8601. */
  readonly at: string
  readonly bytes: number
}
