/** Where a lane goes, as `links.ts` for a shape; apart from it, for the few views that have lanes. */
import { type LaneAsk, writeAsk } from '@nestling/core/lane'
import { type Tuning, writeTuning } from '@nestling/core/neck'

/** To Key: a lane of it, in a tuning. */
export function toKey(key: string, ask: LaneAsk, tuning: Tuning, strings: number): string {
  const texts = Object.entries(writeAsk(ask, strings)).filter(([, text]) => text !== undefined)
  const query = new URLSearchParams([['key', key], ['depth', 'triads'], ...texts, ['tuning', writeTuning(tuning)]])
  return `/key?${query.toString().replaceAll('%2C', ',')}`
}
