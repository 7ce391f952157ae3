/** The map of a chord, and of what a change makes of it, off the main thread. */

import { type ChordMap, type MapChange, mapOf } from '@nestling/core/map'
import type { Player, Question } from '@nestling/core/request'
import { expose } from 'comlink'

const api = {
  mapOf: (question: Question, player: Player, change: MapChange): ChordMap => mapOf(question, player, change),
}

export type MapWorker = typeof api
expose(api)
