/** Shapes as they are written one after another: `Gdim=xx532x`, `C x32010 G 320003`, `x32010 xx0232`. */
import { type Chord, readSymbol } from '../chord/index.ts'
import type { NamingSystem } from '../pitch/index.ts'
import { fail, ok, piece, type Result, requireAt, type TextErrorOf } from '../result/index.ts'
import { type Frets, readFrets } from '../voicing/index.ts'
import { plainChord } from './lineHead.ts'
import type { Piece } from './lineWords.ts'

export interface WrittenShape {
  readonly chord: Chord
  readonly frets: Frets
}

export type ShapesLineError = TextErrorOf<{
  /** Before the frets stands no symbol. */
  not_a_shape_name: object
  fret_count: { count: number; strings: number }
}>

export interface ShapeNaming {
  /** How many the neck has. */
  readonly strings: number
  readonly naming: readonly NamingSystem[]
  /** What frets without a name are called. */
  readonly nameOf: (frets: Frets) => Chord | undefined
}

/** Digits alone may be anything; with silent strings, or one for each string and an open one, they are frets. */
export const isFretsWord = (word: string, strings: number): boolean =>
  /^[\dxX-]+$/.test(word) &&
  readFrets(word, strings).ok &&
  (/[xX]/.test(word) || (word.length === strings && word.includes('0')))

/** A shape at a place and the words that it takes; `undefined` where none stands there. */
export function shapeAt(
  words: readonly Piece[],
  index: number,
  { strings, naming, nameOf }: ShapeNaming,
): Result<{ readonly shape: WrittenShape; readonly count: number }, ShapesLineError> | undefined {
  const { text: word, at } = requireAt(words, index)
  const glued = /^([^=]+)=([\dxX-]+)$/.exec(word)
  const behind = words[index + 1]?.text
  const isNamed =
    glued !== null || (!isFretsWord(word, strings) && behind !== undefined && isFretsWord(behind, strings))
  const text = glued?.[2] ?? (isNamed ? behind : isFretsWord(word, strings) ? word : undefined)
  if (text === undefined) return undefined
  const symbol = isNamed ? (glued?.[1] ?? word) : undefined
  const read = symbol === undefined ? undefined : readSymbol(symbol, naming)
  if (read && !read.ok) return glued ? fail({ code: 'not_a_shape_name', at, text: piece(symbol ?? word) }) : undefined
  const frets = readFrets(text, strings)
  if (!frets.ok) {
    const count = /-/.test(text) ? text.split('-').length : text.length
    return fail({ code: 'fret_count', at: at + word.indexOf(text), text: piece(text), count, strings })
  }
  const chord = read ? plainChord(read.value) : nameOf(frets.value)
  return chord && ok({ shape: { chord, frets: frets.value }, count: isNamed && !glued ? 2 : 1 })
}

/** Words that are shapes and nothing else; `undefined` where any of them is not. Bars and commas may stand between them. */
export function shapesIn(words: readonly Piece[], naming: ShapeNaming): readonly WrittenShape[] | undefined {
  const told = words
    .map(({ text, at }) => ({ text: text.replace(/[,;|]+$/, ''), at }))
    .filter(({ text }) => !/^[,;|]*$/.test(text))
  const shapes: WrittenShape[] = []
  for (let index = 0; index < told.length; ) {
    const read = shapeAt(told, index, naming)
    if (!read?.ok) return undefined
    shapes.push(read.value.shape)
    index += read.value.count
  }
  return shapes
}
