/**
 * Map: a chord's whole territory.
 *   Question ─mapOf→ ChordMap (string sets × bass tones) ─changedMap(change)→ what becomes of every place
 */
export type { ChordMap, MapCell, MapRow } from './map.ts'
export { inAllKeys, mapOf } from './map.ts'
export type { ChangedCell, ChangedMap, MapChange, WhyLost } from './mapChange.ts'
export { changedCell, changedMap } from './mapChange.ts'
