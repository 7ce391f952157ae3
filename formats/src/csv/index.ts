/** CSV: tables of shapes, written and read. */

export type { LogRow } from './log.ts'
export { LOG_COLUMNS, writeLogCsv } from './log.ts'
export type { CsvProblem, NamedShape, ShapesCsv } from './shapes.ts'
export { readShapesCsv, SHAPE_COLUMNS, writeShapesCsv } from './shapes.ts'
