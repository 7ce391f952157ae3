/** CSV: tables of shapes, written and read. */
export type { CsvProblem, NamedShape, ShapesCsv } from './shapes.ts'
export { readShapesCsv, SHAPE_COLUMNS, writeShapesCsv } from './shapes.ts'
