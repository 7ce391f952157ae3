/** A map as text, as it travels with its page. What is beyond reach has no score that JSON could hold. */
import type { ChordMap } from '@nestling/core/map'

const BEYOND = 'beyond'

export const writeFirstMap = (map: ChordMap): string =>
  JSON.stringify(map, (_, value) => (value === Number.POSITIVE_INFINITY ? BEYOND : value))

/** @param text What `writeFirstMap` gave for this very build of the page. */
export const readFirstMap = (text: string): ChordMap =>
  JSON.parse(text, (key, value) => (key === 'score' && value === BEYOND ? Number.POSITIVE_INFINITY : value))
