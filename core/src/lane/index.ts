/**
 * Lane: one playable shape for every step of a key, up the neck.
 *   Key ─chordScale→ steps ─laneOf(ask, neck, hand)→ Lane, with every hop, and why a step stands elsewhere or not at all
 *   texts ─readAsk, readKeyLine→ asks; asks ─laneThatFits→ the one that suits a key
 */
export type { LaneError, LaneTexts } from './askText.ts'
export { LANE_ARRANGEMENTS, readAsk, readOrder, writeAsk, writeOrder } from './askText.ts'
export type { CapoKey } from './capo.ts'
export { capoKeys } from './capo.ts'
export { completeKeyLine } from './completeKey.ts'
export type { LaneFit } from './fits.ts'
export { byFit, fitOf, laneThatFits } from './fits.ts'
export { gripWord, usualSets } from './gripWords.ts'
export type { KeyLine, KeyLineError } from './keyLine.ts'
export { type KeyBefore, readKeyLine, writeKeyLine } from './keyLine.ts'
export type { KeyFit, KeyOnNeck, KeyQuestion, LaneInKey, StandingIn } from './keyOnNeck.ts'
export { keyOnNeck, laneInHand, lanesOfAllKeys, stepsWith, usualAsks } from './keyOnNeck.ts'
export { laneOf } from './lane.ts'
export { laneNames } from './names.ts'
export { everyPlace, everyPlaceInOrder, nearestShape } from './nearest.ts'
export { asksAtDepth, type OrderWish, ordersOn } from './ordersOn.ts'
export { lostFifth, orderAt, shapeOn, toneOf } from './shapeAt.ts'
export { tonesOn } from './tonesOn.ts'
export { tuningKey } from './tuningKey.ts'
export type {
  Instead,
  Lane,
  LaneAsk,
  LaneGap,
  LaneOptions,
  LaneShape,
  LaneStep,
  PlacedTone,
  ToneNumber,
} from './types.ts'
export { LANE_FRETS } from './types.ts'
export { type UsualOrder, usualOrders } from './usual.ts'
