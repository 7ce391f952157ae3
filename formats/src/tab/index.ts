/** Plain text TAB, written and read. */
export { readTab } from './read.ts'
export { writeTab } from './write.ts'
