/**
 * Shapes as CSV (RFC 4180, UTF-8, a line of heads): for spreadsheets and back.
 *   NamedShape[] ─writeShapesCsv→ text ─readShapesCsv→ NamedShape[] and the lines that could not be read
 */
import { readShape, type Shape, type ShapeError, type ShapeTexts, writeShape } from '@nestling/core/shape'
import Papa from 'papaparse'

export interface NamedShape {
  readonly name: string
  readonly note: string
  readonly shape: Shape
  /** The tune that it is kept under; without it in none. */
  readonly tune?: string | undefined
  readonly tags?: readonly string[] | undefined
}

/** The heads, in the order in which they are written; read in any order. */
export const SHAPE_COLUMNS = ['name', 'chord', 'frets', 'tuning', 'fingers', 'note', 'tune', 'tags'] as const
const NEEDED = ['chord', 'frets', 'tuning'] as const

/** Why a line was left aside. `line` counts from 1, the heads being the first. */
export type CsvProblem =
  | { readonly code: 'missing_column'; readonly line: 1; readonly column: string }
  | { readonly code: 'not_csv'; readonly line: number; readonly why: string }
  | { readonly code: 'not_a_shape'; readonly line: number; readonly error: ShapeError }

export interface ShapesCsv {
  readonly shapes: readonly NamedShape[]
  readonly problems: readonly CsvProblem[]
}

/** Reads every line that is a shape; the others are told with their place. Never throws, whatever the text. */
export function readShapesCsv(text: string): ShapesCsv {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  })
  const heads = parsed.meta.fields ?? []
  const missing = NEEDED.filter((column) => !heads.includes(column))
  if (missing.length > 0)
    return { shapes: [], problems: missing.map((column) => ({ code: 'missing_column', line: 1, column })) }
  const broken = new Map(parsed.errors.map(({ row, message }) => [row ?? 0, message]))
  const shapes: NamedShape[] = []
  const problems: CsvProblem[] = []
  for (const [index, row] of parsed.data.entries()) {
    const line = index + 2
    const why = broken.get(index)
    if (why !== undefined) {
      problems.push({ code: 'not_csv', line, why })
      continue
    }
    const texts: ShapeTexts = {
      chord: row['chord'] ?? '',
      frets: row['frets'] ?? '',
      tuning: row['tuning'] ?? '',
      fingers: row['fingers'] ?? '',
    }
    const read = readShape(texts)
    const words = (column: string) => unguarded(row[column] ?? '')
    const tags = words('tags')
      .split(';')
      .map((tag) => tag.trim())
      .filter(Boolean)
    if (read.ok)
      shapes.push({
        name: words('name') || texts.chord,
        note: words('note'),
        shape: read.value,
        ...(row['tune'] ? { tune: words('tune') } : {}),
        ...(tags.length > 0 ? { tags } : {}),
      })
    else problems.push({ code: 'not_a_shape', line, error: read.error })
  }
  return { shapes, problems }
}

/** What a spreadsheet would run: the package writes such a text behind an apostrophe. */
const FORMULA = /^[=+\-@\t\r]/
const GUARDED = /^'(?='*[=+\-@\t\r])/
/** A text that looks guarded already gets an apostrophe more, so that the one in front is always the guard. */
const guarded = (text: string): string => (GUARDED.test(text) || FORMULA.test(text) ? `'${text}` : text)
const unguarded = (text: string): string => text.replace(GUARDED, '')

/** No cell begins as a formula does; `readShapesCsv` takes the guard off again. */
export const writeShapesCsv = (shapes: readonly NamedShape[]): string =>
  Papa.unparse(
    shapes.map(({ name, note, shape, tune = '', tags = [] }) => ({
      name: guarded(name),
      ...writeShape(shape),
      note: guarded(note),
      tune: guarded(tune),
      tags: guarded(tags.join('; ')),
    })),
    { columns: [...SHAPE_COLUMNS], newline: '\r\n', header: true },
  )
