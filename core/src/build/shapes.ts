/**
 * From a build to the shapes that a player can hold: the one search behind the page's worker and the HTTP endpoint.
 *   Build + Setting ─queryOf→ VoicingQuery ─searchVoicings→ found ─rankShapes→ best first
 */
import { bassDegreeOf } from '../chord/index.ts'
import { handOn, rankCompactly } from '../hand/index.ts'
import { type Instrument, neckOf } from '../neck/index.ts'
import { fretsAt, searchVoicings, type VoicingQuery } from '../voicing/index.ts'
import type { Build, Setting } from './types.ts'

/** Compact, so that it travels quickly between worker and page: row r of `frets` is one shape, −1 for a silent string. */
export interface ShapesFound {
  readonly strings: number
  /** How many qualify, shown or not. */
  readonly count: number
  /** How many of them four fingers can hold. */
  readonly playable: number
  readonly truncated: boolean
  /** How many rows there are. */
  readonly shown: number
  readonly frets: Int8Array
  readonly scores: Float32Array
  readonly reachesMm: Float32Array
  /** 1 where four fingers can hold the shape. */
  readonly held: Uint8Array
}

/** The instrument that a build is played on: the player's own, or that in another tuning, without its capo. */
export const instrumentFor = (build: Pick<Build, 'tuning'>, { instrument }: Pick<Setting, 'instrument'>): Instrument =>
  build.tuning === undefined ? instrument : { ...instrument, tuning: build.tuning, capo: undefined }

export function queryOf(build: Build, setting: Setting): VoicingQuery {
  return {
    chord: build.chord,
    neck: neckOf(instrumentFor(build, setting)),
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
  const ranking = rankCompactly(found, query.neck, setting.hand, { thumb: setting.thumb })
  const shown = Math.min(found.count, limit)
  const { strings } = found
  const frets = new Int8Array(shown * strings)
  const scores = new Float32Array(shown)
  const reachesMm = new Float32Array(shown)
  const held = new Uint8Array(shown)
  for (let place = 0; place < shown; place++) {
    const row = ranking.rows[place] as number
    frets.set(found.frets.subarray(row * strings, (row + 1) * strings), place * strings)
    scores[place] = ranking.totals[row] as number
    reachesMm[place] = ranking.reachesMm[row] as number
    held[place] = ranking.held[row] as number
  }
  const playable = ranking.held.reduce((sum, one) => sum + one, 0)
  const truncated = found.truncated || found.count > shown
  return { strings, count: found.count, playable, truncated, shown, frets, scores, reachesMm, held }
}

/** How many shapes of a build this hand can hold. */
export function playableCount(build: Build, setting: Setting): number {
  const query = queryOf(build, setting)
  const found = searchVoicings(query)
  const { canHold } = handOn(query.neck, setting.hand, { thumb: setting.thumb })
  let playable = 0
  for (let row = 0; row < found.count; row++) if (canHold(fretsAt(found, row))) playable++
  return playable
}
