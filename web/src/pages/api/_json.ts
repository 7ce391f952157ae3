/** Core's values as the endpoints tell them: ASCII, strings and frets low to high. */
import { writeSymbol } from '@nestling/core/chord'
import type { ShapeName } from '@nestling/core/name'
import type { Neighbour } from '@nestling/core/near'

export const nameJson = (name: ShapeName) => ({
  symbol: writeSymbol(name.chord, { ascii: true }),
  root: name.chord.root,
  formula: name.chord.formula,
  bass: name.bass,
  degrees: name.degrees,
  omitted: name.omitted,
  inversion: name.inversion,
  complete: name.complete,
})

export const neighbourJson = ({ frets, moves, name, otherNames }: Neighbour) => ({
  frets,
  ...nameJson(name),
  moves: moves.map(({ string, from, to, by, fromDegree, toDegree }) => ({
    string: frets.length - string,
    from,
    to,
    by,
    fromDegree,
    toDegree,
  })),
  otherNames: otherNames.map((other) => writeSymbol(other.chord, { ascii: true })),
})
