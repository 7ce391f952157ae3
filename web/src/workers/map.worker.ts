/** The map of a chord and what a change does to it, off the main thread. */

import { type ChangedMap, type ChordMap, changedMap, type MapChange, mapOf } from '@nestling/core/map'
import type { Player, Question } from '@nestling/core/request'
import { expose } from 'comlink'

const api = {
  mapOf: (question: Question, player: Player): ChordMap => mapOf(question, player),
  changedMap: (map: ChordMap, question: Question, player: Player, change: MapChange): ChangedMap =>
    changedMap(map, question, player, change),
}

export type MapWorker = typeof api
expose(api)
