/**
 * Sheets: pages composed from blocks.
 *   Sheet + what it refers to ─rows of each block→ Row[] ─pagesOf→ pages of marks, in mm ─(drawn)→ screen, paper, PDF, SVG
 */
export { tuneOf } from './blocks/chart.ts'
export type { SheetContext } from './context.ts'
export type { InkColours } from './ink.ts'
export { INK_COLOURS } from './ink.ts'
export type { RowMemory, SheetPages } from './layout.ts'
export { layoutSheet } from './layout.ts'
export type { Face, Mark, Measure, Role } from './marks.ts'
export { printable } from './marks.ts'
export type { Facing } from './neck.ts'
export type { BlockPlace, Page, PageSize } from './paper.ts'
export { MARGIN_MM, pageSize } from './paper.ts'
export type {
  ArpeggioBlock,
  Block,
  BlockKind,
  ChartBlock,
  Ink,
  KeyBlock,
  MapBlock,
  Paper,
  ShapesBlock,
  Sheet,
  SheetLabels,
  SheetTune,
  TitleBlock,
  TuneSource,
  WordsBlock,
} from './types.ts'
export { BLOCK_KINDS, INKS, NECK_WAYS, PAPERS, SHEET_LABELS, UNDER_NECKS } from './types.ts'
