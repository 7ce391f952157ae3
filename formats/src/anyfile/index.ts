/** Whatever file is given: what it is, and what it holds. */
export type { AnyFile, FileKind } from './readFile.ts'
export { FILE_KINDS, readFile } from './readFile.ts'
