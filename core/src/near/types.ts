import type { ShapeName } from '../name/index.ts'
import type { Degree } from '../pitch/index.ts'
import type { Frets, StringMove } from '../voicing/index.ts'

/** One voice that moves on its string, and what it becomes. */
export interface ToneMove extends StringMove {
  readonly fromDegree: Degree
  readonly toDegree: Degree
}

/** A shape that one or two moved tones make, and what it is called. */
export interface Neighbour {
  readonly frets: Frets
  readonly moves: readonly ToneMove[]
  /** Over the same root where it has a name there, otherwise its best name. */
  readonly name: ShapeName
  readonly otherNames: readonly ShapeName[]
}
