/** The search, off the main thread. */
import { type Build, type Setting, type ShapesFound, shapesFor } from '@nestling/core/build'
import { expose } from 'comlink'

const api = {
  shapesFor: (build: Build, setting: Setting, limit: number): ShapesFound => shapesFor(build, setting, limit),
}

export type SearchWorker = typeof api
expose(api)
