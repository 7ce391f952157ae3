/**
 * From a build to the shapes that a player can hold: the one search behind the page's worker and the HTTP endpoint.
 *   Build + Setting ─queryOf→ VoicingQuery ─searchVoicings→ found ─rankShapes→ best first
 */
import { bassDegreeOf } from '../chord/index.ts'
import { type RankedShape, rankShapes } from '../hand/index.ts'
import { neckOf } from '../neck/index.ts'
import { searchVoicings, type VoicingQuery } from '../voicing/index.ts'
import type { Build, Setting } from './types.ts'

export interface ShapesFound {
  readonly shapes: readonly RankedShape[]
  /** How many qualify, shown or not. */
  readonly count: number
  /** How many of them four fingers can hold. */
  readonly playable: number
  readonly truncated: boolean
}

export function queryOf(build: Build, setting: Setting): VoicingQuery {
  return {
    chord: build.chord,
    neck: neckOf(setting.instrument),
    stringSets: build.strings === undefined ? undefined : [build.strings],
    arrangement: build.arrangement,
    bass: build.bass,
    top: build.top,
    omit: build.omit,
    school: setting.school,
    doubling: build.doubling ?? needsDoubling(build),
    fretMin: build.fretMin,
    fretMax: build.fretMax,
    span: build.span,
    reachLimitMm: setting.hand.stretchMm,
    open: build.open,
  }
}

/** More strings to sound than tones to put on them, or a list that names a tone twice. */
function needsDoubling({ chord, strings, arrangement }: Build): boolean {
  if (arrangement.kind === 'list') return new Set(arrangement.degrees).size < arrangement.degrees.length
  const slash = bassDegreeOf(chord)
  const tones = chord.formula.length + (slash !== undefined && !chord.formula.includes(slash) ? 1 : 0)
  return strings !== undefined && strings.length > tones
}

/** Every shape that qualifies, easiest first; those that four fingers can't hold come last. */
export function shapesFor(build: Build, setting: Setting, limit = Number.POSITIVE_INFINITY): ShapesFound {
  const query = queryOf(build, setting)
  const found = searchVoicings(query)
  const ranked = rankShapes(found, query.neck, setting.hand, { thumb: setting.thumb })
  return {
    shapes: ranked.length > limit ? ranked.slice(0, limit) : ranked,
    count: found.count,
    playable: ranked.filter((shape) => shape.fingering !== undefined).length,
    truncated: found.truncated || ranked.length > limit,
  }
}
