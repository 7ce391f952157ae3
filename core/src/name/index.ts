/**
 * Name: what a shape is called, and whether a name is right.
 *   Frets + Neck ─namesOf→ every name, best first;  + Chord ─checkClaim→ right, incomplete or wrong, with the mend
 */
export type { ClaimVerdict, Mend, WrongString } from './claim.ts'
export { checkClaim } from './claim.ts'
export { degreeAmong, derivedFormula } from './derive.ts'
export type { SoundedTones } from './names.ts'
export { degreesIn, namesOf, namesOfTones, namesOverBasses, soundedTones, soundKey, statedFirst } from './names.ts'
export type { BassRole, ChordName, NamingContext, ShapeName } from './types.ts'
