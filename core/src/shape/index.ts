/**
 * Shape: what a hand holds, as one value.
 *   texts ─readShape→ Shape { chord, frets, tuning, fingers? } ─writeShape→ the same texts
 */
export { readFingers, writeFingers } from './fingersText.ts'
export { neckFor } from './neckFor.ts'
export { readShape, writeShape } from './shape.ts'
export { soundedOn } from './soundedOn.ts'
export type { Fingers, FingersError, Shape, ShapeError, ShapeTexts } from './types.ts'
