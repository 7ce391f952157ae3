/** Ear: what was heard against what should have come, a note at a time or a chord string by string. */
export type { ExpectedString, Spectrum, StringVerdict } from './chord.ts'
export { CHORD_AFTER_S, CHORD_WINDOW, canTell, chordVerdicts } from './chord.ts'
export type { ExpectedNote, HeardNote, Judgement, JudgeOptions, Mark } from './judge.ts'
export { judge } from './judge.ts'
