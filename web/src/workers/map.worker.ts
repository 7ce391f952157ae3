/** The map of a chord and what a change does to it, off the main thread. */
import {
  type Build,
  type ChangedMap,
  type ChordMap,
  changedMap,
  type MapChange,
  mapOf,
  type Setting,
} from '@nestling/core/build'
import { expose } from 'comlink'

const api = {
  mapOf: (build: Build, setting: Setting): ChordMap => mapOf(build, setting),
  changedMap: (map: ChordMap, build: Build, setting: Setting, change: MapChange): ChangedMap =>
    changedMap(map, build, setting, change),
}

export type MapWorker = typeof api
expose(api)
