/** The search, off the main thread: one of these answers the page, another counts what the choices would give. */
import { type Build, playableCount, type Setting, type ShapesFound, shapesFor } from '@nestling/core/build'
import { expose, transfer } from 'comlink'

const api = {
  shapesFor(build: Build, setting: Setting, limit: number): ShapesFound {
    const found = shapesFor(build, setting, limit)
    if (!warm) {
      warm = true
      setTimeout(() => warmUp(build, setting), WARM_UP_AFTER_MS)
    }
    return transfer(found, [found.frets.buffer, found.scores.buffer, found.reachesMm.buffer, found.held.buffer])
  },
  playableCount: (build: Build, setting: Setting): number => playableCount(build, setting),
}

/**
 * A script engine is quick only with code that it has run often. Once the first answer is on screen the search runs
 * through larger questions, so that the next answers come at full speed.
 */
let warm = false
const WARM_UP_AFTER_MS = 300
function warmUp(build: Build, setting: Setting): void {
  const wide: Build = { ...build, strings: undefined, arrangement: { kind: 'any' }, bass: undefined, omit: undefined }
  for (let round = 0; round < 3; round++) shapesFor(wide, setting, Number.POSITIVE_INFINITY)
}

export type SearchWorker = typeof api
expose(api)
