/** What a change of formula does to one cell of the map: where its tones go, and whether a hand still holds it. */
import { CATALOGUE, type Chord, type Formula, formulaKey } from '@nestling/core/chord'
import type { RankedShape } from '@nestling/core/hand'
import { type Extension, namesOf, waysToExtend } from '@nestling/core/name'
import type { Neck } from '@nestling/core/neck'
import { pitchClassOf } from '@nestling/core/pitch'
import { type Frets, morph, type Voicing } from '@nestling/core/voicing'

export type MapChange =
  | { readonly kind: 'none' }
  /** Every tone to its counterpart in another formula. */
  | { readonly kind: 'morph'; readonly formula: Formula }
  /** A tone more: the root's voice moves to it, or the fifth gives way. */
  | { readonly kind: 'extend'; readonly extension: Extension; readonly way: 'root-moves' | 'fifth-gives-way' }

export type ChangedCell =
  | {
      readonly kind: 'shape'
      readonly voicing: Voicing
      /** Semitones of each string, up positive; empty when nothing is changed. */
      readonly moves: readonly { readonly string: number; readonly by: number }[]
      readonly playable: boolean
      readonly reachMm: number
      /** Another chord that this very shape is known as, so that it is not learned twice. */
      readonly knownAs: Chord | undefined
    }
  | { readonly kind: 'lost'; readonly why: string }

export function changedCell(
  from: Voicing,
  change: MapChange,
  neck: Neck,
  judge: (frets: Frets) => RankedShape,
): ChangedCell {
  const voicing = apply(from, change, neck)
  if (typeof voicing === 'string') return { kind: 'lost', why: voicing }
  const { fingering, reachMm } = judge(voicing.frets)
  const moves = voicing.midis.flatMap((midi, string) => {
    const before = from.midis[string]
    return midi === null || before === null || before === undefined || midi === before
      ? []
      : [{ string, by: midi - before }]
  })
  return { kind: 'shape', voicing, moves, playable: fingering !== undefined, reachMm, knownAs: twinOf(voicing, neck) }
}

function apply(from: Voicing, change: MapChange, neck: Neck): Voicing | string {
  switch (change.kind) {
    case 'none':
      return from
    case 'morph':
      return morph(from, change.formula, neck) ?? 'a tone has no counterpart, or leaves the neck'
    case 'extend': {
      const found = waysToExtend(from, neck).find(
        ({ extension, way }) => extension === change.extension && way === change.way,
      )
      return found?.change.voicing ?? 'the tone can’t join on these strings'
    }
  }
}

const USUAL: ReadonlySet<string> = new Set(
  CATALOGUE.filter(({ rare }) => !rare).map(({ formula }) => formulaKey(formula)),
)

/** The best usual name of a shape over another root, complete and over its own lowest tone. */
function twinOf(voicing: Voicing, neck: Neck): Chord | undefined {
  const own = pitchClassOf(voicing.chord.root)
  const name = namesOf(voicing.frets, neck).find(
    (one) =>
      one.complete &&
      USUAL.has(formulaKey(one.chord.formula)) &&
      one.role !== 'foreign' &&
      one.role !== 'rootless' &&
      pitchClassOf(one.chord.root) !== own,
  )
  return name && { root: name.chord.root, formula: name.chord.formula }
}

export const movesWords = (
  moves: readonly { readonly string: number; readonly by: number }[],
  strings: number,
): string => moves.map(({ string, by }) => `string ${strings - string} ${by > 0 ? '+' : '−'}${Math.abs(by)}`).join(', ')
