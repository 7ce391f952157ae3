/** What a change of formula does to the cells of a map: where their tones go, and whether a hand still holds them. */
import { CATALOGUE, type Chord, type Formula, formulaKey } from '../chord/index.ts'
import { type HandVerdict, handOn, handVerdict } from '../hand/index.ts'
import { namesOf } from '../name/index.ts'
import { type Extension, waysToExtend } from '../near/index.ts'
import { type Neck, neckOf } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import { instrumentFor, type Player, type Question } from '../request/index.ts'
import { type Frets, morph, movesBetween, type StringMove, type Voicing, voicingReader } from '../voicing/index.ts'
import type { ChordMap } from './map.ts'

export type MapChange =
  | { readonly kind: 'none' }
  /** Every tone to its counterpart in another formula. */
  | { readonly kind: 'morph'; readonly formula: Formula }
  /** A tone more: the root's voice moves to it, or the fifth gives way. */
  | { readonly kind: 'extend'; readonly extension: Extension; readonly way: 'root-moves' | 'fifth-gives-way' }

/** A tone that has no counterpart or leaves the neck, or one that can't join on these strings. */
export type WhyLost = 'no-counterpart' | 'cannot-join'

export type ChangedCell =
  | {
      readonly kind: 'shape'
      readonly voicing: Voicing
      /** The strings that move; empty when nothing is changed. */
      readonly moves: readonly StringMove[]
      readonly verdict: HandVerdict
      /** Another chord that this very shape is known as, so that it is not learned twice. */
      readonly knownAs: Chord | undefined
    }
  | { readonly kind: 'lost'; readonly why: WhyLost }

/** Row by row, cell by cell; `undefined` where the map has no shape. */
export type ChangedMap = readonly (readonly (ChangedCell | undefined)[])[]

/** A map after a change. @param question The question that the map answers. */
export function changedMap(map: ChordMap, question: Question, player: Player, change: MapChange): ChangedMap {
  const neck = neckOf(instrumentFor(question, player))
  const options = { thumb: player.thumb }
  const { bestFingering } = handOn(neck, player.hand, options)
  const verdictOn = (frets: Frets) => handVerdict(frets, neck, player.hand, bestFingering(frets), options)
  const read = voicingReader(map.chord, neck)
  return map.rows.map(({ cells }) =>
    cells.map((cell) => {
      const voicing = cell.frets && read(cell.frets)
      return voicing && changedCell(voicing, change, neck, verdictOn)
    }),
  )
}

export function changedCell(
  from: Voicing,
  change: MapChange,
  neck: Neck,
  verdictOn: (frets: Frets) => HandVerdict,
): ChangedCell {
  const voicing = apply(from, change, neck)
  if (typeof voicing === 'string') return { kind: 'lost', why: voicing }
  const moves = movesBetween(from, voicing)
  return { kind: 'shape', voicing, moves, verdict: verdictOn(voicing.frets), knownAs: twinOf(voicing, neck) }
}

function apply(from: Voicing, change: MapChange, neck: Neck): Voicing | WhyLost {
  switch (change.kind) {
    case 'none':
      return from
    case 'morph':
      return morph(from, change.formula, neck) ?? 'no-counterpart'
    case 'extend': {
      const found = waysToExtend(from, neck).find(
        ({ extension, way }) => extension === change.extension && way === change.way,
      )
      return found?.change.voicing ?? 'cannot-join'
    }
  }
}

const USUAL: ReadonlySet<string> = new Set(
  CATALOGUE.filter(({ rare }) => !rare).map(({ formula }) => formulaKey(formula)),
)

/**
 * The best usual name of a shape over another root, complete and over its own lowest tone. A seventh chord rather than the
 * sixth chord of the same tones, whichever lies lowest, so that a row of cells is of one family.
 */
function twinOf(voicing: Voicing, neck: Neck): Chord | undefined {
  const own = pitchClassOf(voicing.chord.root)
  const twins = namesOf(voicing.frets, neck).filter(
    (one) =>
      one.complete &&
      USUAL.has(formulaKey(one.chord.formula)) &&
      one.role !== 'foreign' &&
      one.role !== 'rootless' &&
      pitchClassOf(one.chord.root) !== own,
  )
  const name = twins.find(({ chord }) => !chord.formula.includes('6')) ?? twins[0]
  return name && { root: name.chord.root, formula: name.chord.formula }
}
