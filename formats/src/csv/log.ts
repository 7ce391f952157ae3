/** The log as CSV (RFC 4180, UTF-8, a line of heads), for spreadsheets. */
import Papa from 'papaparse'

/** The heads, in the order in which they are written. */
export const LOG_COLUMNS = [
  'at',
  'day',
  'kind',
  'material',
  'root',
  'suffix',
  'string',
  'frets',
  'tempo',
  'grade',
  'judge',
  'shown',
  'seconds',
  'faults',
  'instrument',
  'card',
] as const

export type LogRow = Readonly<Record<(typeof LOG_COLUMNS)[number], string | number | boolean>>

/** A text that a spreadsheet would take for a formula is written behind an apostrophe. */
export const writeLogCsv = (rows: readonly LogRow[]): string =>
  Papa.unparse(
    { fields: [...LOG_COLUMNS], data: rows.map((row) => LOG_COLUMNS.map((column) => row[column])) },
    { escapeFormulae: true },
  )
