/** Ear: what was heard against what should have come. */
export type { ExpectedNote, HeardNote, Judgement, JudgeOptions, Mark } from './judge.ts'
export { judge } from './judge.ts'
