/**
 * Name: what a shape is called, whether a name is right, and what lies one moved tone away.
 *   Frets + Neck ─namesOf→ every name, best first;  + Chord ─checkClaim→ right, incomplete or wrong, with the mend
 *   Voicing ─oneToneNeighbours→ chords by name;  ─shortestChanges(target)→ the fewest semitones on the same strings
 */
export type { Change, ChangeOptions } from './change.ts'
export { shortestChanges, shortestChangesToKind } from './change.ts'
export type { ClaimVerdict, Mend, WrongString } from './claim.ts'
export { checkClaim } from './claim.ts'
export { degreeAmong, derivedFormula } from './derive.ts'
export type { Drone, DroneShape } from './drones.ts'
export { droneShapes, dronesOver } from './drones.ts'
export type { Extension, WayToExtend } from './family.ts'
export { EXTENSIONS, extended, familyRow, shellShape, waysToExtend } from './family.ts'
export type { SoundedTones } from './names.ts'
export { degreesIn, namesOf, namesOfTones, namesOverBasses, soundedTones } from './names.ts'
export { FARTHEST_MOVE, movedName, oneToneNeighbours, twoToneNeighbours } from './neighbours.ts'
export { symmetryOf, tonesKept } from './symmetry.ts'
export type { BassRole, ChordName, NamingContext, Neighbour, ShapeName, ToneMove } from './types.ts'
