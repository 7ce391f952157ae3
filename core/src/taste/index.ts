/**
 * Taste: which grip a player takes first, by features of the shape and of what was asked, never by a list of shapes.
 *   chord + neck + hand + manner + ensemble ─tasteReader→ (shape + fingering) ─→ total and its parts
 */
export { frettedUp } from './features.ts'
export { MANNER_NAMES, mannerNamed } from './named.ts'
export type { Held, Taste, TasteReader } from './taste.ts'
export { compactFrets, tasteReader } from './taste.ts'
export type { Ensemble, Manner, TasteContext, TastePart, TasteTerm } from './types.ts'
export { ENSEMBLES, MANNERS, TASTE_TERMS } from './types.ts'
export { openStringsIn, ringsOpen, usualManner, usualMannerOf } from './usual.ts'
