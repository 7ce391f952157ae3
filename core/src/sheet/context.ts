import type { Chord, SymbolSchool } from '../chord/index.ts'
import { writeSymbol } from '../chord/index.ts'
import type { NamingSystem } from '../pitch/index.ts'
import type { Player } from '../request/index.ts'
import type { Measure } from './marks.ts'
import type { Facing } from './neck.ts'
import type { Sheet, SheetTune } from './types.ts'

/** Who the sheet is for, what it refers to, and how wide its letters are. */
export interface SheetContext {
  readonly player: Player
  readonly tunes: readonly SheetTune[]
  readonly facing: Facing
  readonly naming: NamingSystem
  readonly school: SymbolSchool
  readonly measure: Measure
}

/** A block's surroundings. */
export interface BlockRoom extends SheetContext {
  readonly sheet: Sheet
  /** Between the margins. */
  readonly width: number
}

export const symbolIn = ({ naming, school }: Pick<SheetContext, 'naming' | 'school'>, chord: Chord): string =>
  writeSymbol(chord, { naming, school })
