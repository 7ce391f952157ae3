/**
 * The whole notebook as one JSON file.
 *   tables ─writeNotebook→ text ─readNotebook→ the same tables; a file of an older version is brought up to this one
 * What stands in a table is checked by whoever owns it: here only the frame is read.
 */
import { fail, ok, type Result } from '@nestling/core/result'
import { tuneOfEarlier } from '@nestling/core/tune'
import { type FileProblem, problem } from '../file/index.ts'

export const NOTEBOOK_FORMAT = 'nestling-notebook'
export const NOTEBOOK_VERSION = 3

/** In the order in which they can be put back: what is referred to comes first. */
export const NOTEBOOK_TABLES = [
  'settings',
  'instruments',
  'tunings',
  'tunes',
  'shapes',
  'sets',
  'tray',
  'sheets',
  'materials',
  'runs',
  'cards',
  'attempts',
] as const
export type NotebookTable = (typeof NOTEBOOK_TABLES)[number]
export type NotebookTables = Readonly<Record<NotebookTable, readonly unknown[]>>

export interface NotebookFile {
  /** The version in which it was written. */
  readonly version: number
  /** ISO 8601. */
  readonly savedAt: string
  readonly tables: NotebookTables
}

/** Deep enough for a sheet's blocks; a file that goes deeper is none of ours. */
const DEEPEST = 24

export const EMPTY_TABLES: NotebookTables = Object.fromEntries(
  NOTEBOOK_TABLES.map((table) => [table, [] as readonly unknown[]]),
) as Record<NotebookTable, readonly unknown[]>

export const writeNotebook = (tables: NotebookTables, savedAt: string): string =>
  `${JSON.stringify({ format: NOTEBOOK_FORMAT, version: NOTEBOOK_VERSION, savedAt, ...tables })}\n`

export function readNotebook(text: string): Result<NotebookFile, FileProblem> {
  const deep = tooDeep(text)
  if (deep !== undefined) return fail(problem('too_deep', text.slice(0, deep).split('\n').length, String(DEEPEST)))
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    return fail(problem('not_json', 0, error instanceof Error ? error.message : ''))
  }
  if (!isRecord(json) || json['format'] !== NOTEBOOK_FORMAT) return fail(problem('not_notebook'))
  const version = json['version']
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return fail(problem('not_notebook', 0, 'version'))
  if (version > NOTEBOOK_VERSION) return fail(problem('newer_notebook', 0, String(version)))
  let tables: Record<string, unknown> = json
  for (let from = version; from < NOTEBOOK_VERSION; from++) tables = (UPGRADES[from] ?? ((same) => same))(tables)
  const read: Record<string, readonly unknown[]> = {}
  for (const table of NOTEBOOK_TABLES) {
    const rows = tables[table] ?? []
    if (!Array.isArray(rows)) return fail(problem('not_notebook', 0, table))
    read[table] = rows
  }
  const savedAt = typeof json['savedAt'] === 'string' ? json['savedAt'] : ''
  return ok({ version, savedAt, tables: read as NotebookTables })
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** From a version to the next. */
const UPGRADES: Readonly<Record<number, (tables: Record<string, unknown>) => Record<string, unknown>>> = {
  // Version 1 knew no folders, tags, remarks or sheets.
  1: (tables) => ({
    ...tables,
    shapes: withMore(tables['shapes'], { tune: null, tags: [] }),
    tunes: withMore(tables['tunes'], { remarks: '' }),
    sheets: [],
  }),
  // Until version 2 a tune was an address and its chords.
  2: (tables) => ({
    ...tables,
    tunes: Array.isArray(tables['tunes']) ? tables['tunes'].map((row) => tuneOfEarlier(row, parse)) : tables['tunes'],
  }),
}
const parse = (query: string) => new URLSearchParams(query)
const withMore = (rows: unknown, more: object): unknown =>
  Array.isArray(rows) ? rows.map((row) => (isRecord(row) ? { ...more, ...row } : row)) : rows

/** Where brackets nest deeper than a notebook does; brackets in texts don't count. */
function tooDeep(text: string): number | undefined {
  let depth = 0
  for (const match of text.matchAll(/"(?:[^"\\]|\\.)*"?|[[{\]}]/g)) {
    const [sign] = match[0]
    if (sign === '[' || sign === '{') depth++
    else if (sign === ']' || sign === '}') depth--
    if (depth > DEEPEST) return match.index
  }
  return undefined
}
