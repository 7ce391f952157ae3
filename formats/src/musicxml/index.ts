/** MusicXML 4: chords with frames over a staff and its TAB, written; chords, frames and time, read. */
export { formulaOfKind, KINDS, kindOf } from './kinds.ts'
export { readMusicXml } from './read.ts'
export { DIVISIONS, writeMusicXml } from './write.ts'
export { isZip, scoreInZip } from './zip.ts'
