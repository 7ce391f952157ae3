/** ChordPro: a chart as grids with its shapes as definitions, written and read. */
export { readChordPro } from './read.ts'
export { writeChordPro } from './write.ts'
