/**
 * Map: a chord's whole territory.
 *   Question + change ─mapOf→ ChordMap (string sets × bass tones): shapes with what they were, or why there is none
 *   place ─onEveryRoot→ the same shape on twelve roots;  tones ─twinOf→ what else they are known as
 */
export type { JoiningError, JoiningWay, MapChange } from './change.ts'
export { JOINING_WAYS, joiningTones, joiningWays } from './change.ts'
export type { EveryRoot, RootPlace, RowStep } from './everyRoot.ts'
export { onEveryRoot, ROW_STEPS, rowOfRoots } from './everyRoot.ts'
export type { WhyNone } from './gaps.ts'
export type { CameFrom, ChordMap, MapCell, MapGap, MapPlace, MapRow } from './map.ts'
export { easiestPlace, mapOf, placesOf } from './map.ts'
export { twinOf } from './twin.ts'
