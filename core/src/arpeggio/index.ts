/**
 * Arpeggio: a chord one tone after another.
 *   Chord + Neck ─chordPlaces→ where its tones lie ─arpeggioOf(way)→ a line with fingers ─playingOrder→ what is played when
 */
export type { ArpeggioOptions } from './arpeggio.ts'
export { arpeggioOf } from './arpeggio.ts'
export type { Direction, Order, Pattern } from './order.ts'
export { DIRECTIONS, PATTERNS, playingOrder } from './order.ts'
export { chordPlaces, highestPosition, inPosition, lowestPosition } from './places.ts'
export type { PositionSummary } from './positions.ts'
export { positionsOf } from './positions.ts'
export type { Arpeggio, ArpeggioCut, ArpeggioNote, ArpeggioWay, ChordPlace, FingeredLine, LineCost } from './types.ts'
