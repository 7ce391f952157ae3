/**
 * From a question to the shapes that a player can hold: the one search behind the page's worker and the HTTP endpoint.
 *   Question + Player ─queryOf→ VoicingQuery ─searchVoicings→ found ─rankByTaste→ best first
 */
import { bassDegreeOf } from '../chord/index.ts'
import { handOn } from '../hand/index.ts'
import { neckOf } from '../neck/index.ts'
import { instrumentFor, isFull, type Player, playingOf, type Question } from '../request/index.ts'
import { fretsAt, type SearchBudget, searchVoicings, type VoicingQuery } from '../voicing/index.ts'
import { rankByTaste } from './ranking.ts'

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
  /** The taste of each: lower is better; what can't be held is far beyond. */
  readonly scores: Float32Array
  /** What each fret up the neck weighs in it: without that shapes are compared as grips. */
  readonly scorePerFret: number
  readonly reachesMm: Float32Array
  /** 1 where four fingers can hold the shape. */
  readonly held: Uint8Array
}

export function queryOf(question: Question, player: Player): VoicingQuery {
  return {
    chord: question.chord,
    neck: neckOf(instrumentFor(question, player)),
    stringSets: question.strings === undefined ? undefined : [question.strings],
    arrangement: question.arrangement,
    bass: question.bass,
    top: question.top,
    omit: question.omit,
    school: player.withBassPlayer ? [player.school, 'drop-root'] : player.school,
    doubling: question.doubling ?? needsDoubling(question, player),
    fretMin: question.fretMin,
    fretMax: question.fretMax,
    span: question.span,
    reachLimitMm: player.hand.stretchMm,
    open: question.open,
  }
}

/** More strings to sound than tones to put on them, or a list that names a tone twice. */
function needsDoubling(question: Question, player: Player): boolean {
  const { chord, strings, arrangement } = question
  if (arrangement.kind === 'list') return new Set(arrangement.degrees).size < arrangement.degrees.length
  // On free strings a triad is played as full as the hand has it, and what is strummed too.
  if (strings === undefined && arrangement.kind === 'any')
    return chord.formula.length <= 3 || isFull(playingOf(question, player).manner)
  const slash = bassDegreeOf(chord)
  const tones = chord.formula.length + (slash !== undefined && !chord.formula.includes(slash) ? 1 : 0)
  return strings !== undefined && strings.length > tones
}

/** Every shape that qualifies, as a player takes them; those that four fingers can't hold come last. */
export function shapesFor(
  question: Question,
  player: Player,
  limit = Number.POSITIVE_INFINITY,
  budget?: SearchBudget,
): ShapesFound {
  const query = { ...queryOf(question, player), budget }
  const found = searchVoicings(query)
  const ranking = rankByTaste(found, query, playingOf(question, player), player)
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
  const truncated = found.cut !== undefined || found.count > shown
  return {
    strings,
    count: found.count,
    playable,
    truncated,
    shown,
    frets,
    scores,
    scorePerFret: ranking.perFret,
    reachesMm,
    held,
  }
}

/** How many shapes of a question this hand can hold. */
export function playableCount(question: Question, player: Player): number {
  const query = queryOf(question, player)
  const found = searchVoicings(query)
  const { canHold } = handOn(query.neck, player.hand, { thumb: player.thumb })
  let playable = 0
  for (let row = 0; row < found.count; row++) if (canHold(fretsAt(found, row))) playable++
  return playable
}
