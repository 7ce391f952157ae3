/**
 * What is practised, and its one text: `m7`, `arpeggio m7`, `Am7=5x555x`, `Fm9=x8688x,Bbm7=6x666x`.
 * A chord's shapes are found; one's own shapes move together, all frets alike.
 */
import { type Chord, type Formula, readSymbol, writeSymbol } from '../chord/index.ts'
import { fail, ok, piece, type Result, type TextErrorOf } from '../result/index.ts'
import { type Frets, readFrets, writeFrets } from '../voicing/index.ts'

export interface OwnShape {
  readonly chord: Chord
  readonly frets: Frets
}

export type Material =
  /** A chord by its formula: on every root the shape that lies there. */
  | { readonly kind: 'chord'; readonly formula: Formula }
  /** The same, one tone after another under one hand. */
  | { readonly kind: 'arpeggio'; readonly formula: Formula }
  /** Shapes in a row: a shape of one's own, a lane, a path, a set. */
  | { readonly kind: 'shapes'; readonly shapes: readonly OwnShape[] }

export type MaterialError = TextErrorOf<{
  /** Not what stands behind a root. */
  not_a_material: object
  /** A shape that is none: its chord or its frets can't be read. */
  not_an_own_shape: object
  too_many_shapes: { most: number }
}>

export const MOST_RUN_SHAPES = 64
const ARPEGGIO = /^arpeggio\s+/i

/** @param strings How many the neck has: one's own shapes have a fret, or none, for each. */
export function readMaterial(text: string, strings: number): Result<Material, MaterialError> {
  if (text.includes('=')) return readShapes(text, strings)
  const lead = ARPEGGIO.exec(text)?.[0].length ?? 0
  const formula = readSuffix(text.slice(lead))
  if (!formula) return fail({ code: 'not_a_material', at: lead, text: piece(text.slice(lead)) })
  return ok({ kind: lead > 0 ? 'arpeggio' : 'chord', formula })
}

/** What stands behind a root: `m7`, `7b9`, `maj`; nothing for a major triad. */
export function readSuffix(text: string): Formula | undefined {
  const suffix = text.trim()
  // A sign behind the C would be its own.
  const [before, after] = /^[b#♭♯]/.test(suffix) ? ['C(', ')'] : ['C', '']
  const read = readSymbol(`${before}${suffix}${after}`)
  return read.ok && read.value.bass === undefined ? read.value.formula : undefined
}

/** `m7`; a major triad is `maj`, as an empty word could not be seen. */
export const writeSuffix = (formula: Formula): string =>
  writeSymbol({ root: 'C', formula }, { ascii: true }).slice(1) || 'maj'

function readShapes(text: string, strings: number): Result<Material, MaterialError> {
  const shapes: OwnShape[] = []
  for (const { 0: word, index: at } of text.matchAll(/[^,]+/g)) {
    const [symbol = '', frets = ''] = word.split('=')
    const chord = readSymbol(symbol.trim())
    const held = readFrets(frets, strings)
    if (!chord.ok || !held.ok) return fail({ code: 'not_an_own_shape', at, text: piece(word, 24) })
    if (shapes.length === MOST_RUN_SHAPES)
      return fail({ code: 'too_many_shapes', at, text: piece(word), most: MOST_RUN_SHAPES })
    shapes.push({ chord: chord.value, frets: held.value })
  }
  return shapes.length > 0 ? ok({ kind: 'shapes', shapes }) : fail({ code: 'not_a_material', at: 0, text: piece(text) })
}

export function writeMaterial(material: Material): string {
  switch (material.kind) {
    case 'chord':
      return writeSuffix(material.formula)
    case 'arpeggio':
      return `arpeggio ${writeSuffix(material.formula)}`
    case 'shapes':
      return material.shapes
        .map(({ chord, frets }) => `${writeSymbol(chord, { ascii: true })}=${writeFrets(frets)}`)
        .join(',')
  }
}

/** A shape without its place: `x0201x`, the lowest pressed fret 0. The same hand on every root. */
export function formOf(frets: Frets): string {
  const lowest = Math.min(...frets.flatMap((fret) => fret ?? []))
  return writeFrets(frets.map((fret) => (fret === null ? null : fret - lowest)))
}
