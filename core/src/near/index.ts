/**
 * Near: what is one step away from a shape.
 *   Voicing ─oneToneNeighbours→ chords by name;  ─shortestChanges(target)→ the fewest semitones on the same strings
 *   Voicing ─familyRow, waysToExtend→ what it becomes;  ─landmarksOf, openFormOf→ where the hand looks from
 */
export type { Change, ChangeOptions } from './change.ts'
export { shortestChanges, shortestChangesToKind } from './change.ts'
export type { Drone } from './drones.ts'
export { dronesOver } from './drones.ts'
export type { Extension, Kindred, WayToExtend } from './family.ts'
export { EXTENSIONS, extended, familyRow, kindredOf, shellShape, waysToExtend } from './family.ts'
export type { Landmark } from './landmarks.ts'
export { landmarksOf, openFormOf } from './landmarks.ts'
export { FARTHEST_MOVE, movedName, oneToneNeighbours, twoToneNeighbours } from './neighbours.ts'
export { symmetryOf, tonesKept } from './symmetry.ts'
export type { Neighbour, ToneMove } from './types.ts'
