/** Sheets: pages that are composed from blocks, as they are kept. */
import type { TuneInHand } from '../chart/index.ts'
import type { ShapeTexts } from '../shape/index.ts'

export const PAPERS = ['A4', 'Letter'] as const
export type Paper = (typeof PAPERS)[number]
export const INKS = ['colour', 'grey', 'black'] as const
export type Ink = (typeof INKS)[number]
export const NECK_WAYS = ['lying', 'upright'] as const
export const SHEET_LABELS = ['none', 'degree', 'note', 'finger'] as const
export type SheetLabels = (typeof SHEET_LABELS)[number]
/** What stands under the necks of a chart: TAB by itself, or a staff with its TAB. */
export const UNDER_NECKS = ['nothing', 'tab', 'staff'] as const

/** A tune of the Book by its number, or one that is written here. */
export type TuneSource =
  | { readonly kind: 'kept'; readonly tune: number }
  | {
      readonly kind: 'own'
      /** A chart as `readChart` reads it. */
      readonly chart: string
      readonly tuning: string
      /** By played chord; `null` where nothing is held. */
      readonly frets: readonly (string | null)[]
    }

interface BlockOf<Kind extends string> {
  readonly id: string
  readonly kind: Kind
}
export interface TitleBlock extends BlockOf<'title'> {
  readonly text: string
  /** Stands beside it at the line's end. */
  readonly aside: string
}
export interface ChartBlock extends BlockOf<'chart'> {
  readonly source: TuneSource
  /** Written bars, 1 the first; without them the whole tune. */
  readonly from?: number | undefined
  readonly to?: number | undefined
  readonly under: (typeof UNDER_NECKS)[number]
  /** A tone that alone moves is drawn with where it came from. */
  readonly moves: boolean
}
export interface KeyBlock extends BlockOf<'key'> {
  readonly key: string
  readonly depth: 'triads' | 'sevenths' | 'ninths'
  /** Root strings, 1 the highest. */
  readonly roots: readonly number[]
  /** The formulas of every step as triad, seventh and ninth. */
  readonly formulas: boolean
}
export interface MapBlock extends BlockOf<'map'> {
  readonly chord: string
  readonly arrangement: string
}
export interface ArpeggioBlock extends BlockOf<'arpeggio'> {
  readonly chord: string
  /** The fret where the index finger rests. */
  readonly at: number
  readonly under: (typeof UNDER_NECKS)[number]
}
export interface ShapesBlock extends BlockOf<'shapes'> {
  readonly title: string
  readonly shapes: readonly (ShapeTexts & { readonly name: string; readonly note: string })[]
}
export interface WordsBlock extends BlockOf<'words'> {
  readonly text: string
}
export type LegendBlock = BlockOf<'legend'>

export type Block =
  | TitleBlock
  | ChartBlock
  | KeyBlock
  | MapBlock
  | ArpeggioBlock
  | ShapesBlock
  | WordsBlock
  | LegendBlock
export type BlockKind = Block['kind']
export const BLOCK_KINDS = ['title', 'chart', 'key', 'map', 'arpeggio', 'shapes', 'words', 'legend'] as const

export interface Sheet {
  readonly title: string
  readonly paper: Paper
  readonly lying: boolean
  readonly barsALine: number
  readonly necks: (typeof NECK_WAYS)[number]
  readonly labels: SheetLabels
  readonly ink: Ink
  readonly blocks: readonly Block[]
}

/** A kept tune as a sheet needs it. */
export interface SheetTune {
  readonly id: number
  readonly tune: TuneInHand
  /** What the right hand does. */
  readonly pattern: string
}
