/** Key: a tonic and a scale. `readKey` reads what a player writes. */
export { triadsOf } from './chordScale.ts'
export type { Key, KeyScale } from './key.ts'
export { readKey } from './key.ts'
