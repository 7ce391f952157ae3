/** Standard MIDI files, written from a score and read for their chords. */
export { readMidi } from './read.ts'
export type { MidiAbout } from './write.ts'
export { TICKS, writeMidi } from './write.ts'
