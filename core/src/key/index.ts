/** Key: tonics and scales. `readKey` reads what a player writes; `scalesFor` tells which scales hold a chord. */
export { triadsOf } from './chordScale.ts'
export type { Key, KeyScale } from './key.ts'
export { readKey } from './key.ts'
export type { Scale, ScaleFamily } from './scale.ts'
export { SCALES } from './scale.ts'
export type { ScaleFit, ScaleTone } from './scaleFit.ts'
export { scalesFor } from './scaleFit.ts'
