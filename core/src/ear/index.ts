/** Ear: what was heard against what should have come, a note at a time or a chord string by string. */
export type { ExpectedString, Hearing, Spectrum, StringVerdict } from './chord.ts'
export { canTell, chordVerdicts, FIRST_WORD, LAST_WORD } from './chord.ts'
export type { ExpectedNote, HeardNote, Judgement, JudgeOptions, Mark } from './judge.ts'
export { judge, OUT_OF_TUNE_CENTS } from './judge.ts'
