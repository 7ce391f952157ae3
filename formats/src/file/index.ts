/** Files before they are of a format: sizes, encodings, and what can be wrong. */
export type { FileProblem, FileProblemCode } from './problem.ts'
export { problem } from './problem.ts'
export type { TextRead } from './text.ts'
export { MOST_FILE_BYTES, MOST_FILE_CHORDS, MOST_LINE, MOST_NOTEBOOK_BYTES, megabytes, readText } from './text.ts'
