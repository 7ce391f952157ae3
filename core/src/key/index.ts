/** Key: tonics and scales, of one table. `readKey` reads what a player writes; `scalesFor` tells which scales hold a chord. */
export { triadsOf } from './chordScale.ts'
export type { Key, KeyError } from './key.ts'
export { keyOf, MAJOR, NATURAL_MINOR, readKey, writeKey } from './key.ts'
export type { Scale, ScaleFamily } from './scale.ts'
export { requireScale, SCALES, scaleNamed } from './scale.ts'
export type { ScaleFit, ScaleTone } from './scaleFit.ts'
export { scalesFor } from './scaleFit.ts'
