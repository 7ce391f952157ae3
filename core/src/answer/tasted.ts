/**
 * What a player would take, best first: on any strings, doubled or not, with every school of leaving out that fits who plays.
 *   Question + manner + ensemble ─searchVoicings, once a school→ candidates ─bestFingering→ held ─taste→ best first
 */
import { bassDegreeOf, type OmissionSchool } from '../chord/index.ts'
import { handOn, type RankedShape, reachMm, shapeScorer } from '../hand/index.ts'
import type { Player, Question } from '../request/index.ts'
import { type Ensemble, type Manner, type Taste, tasteReader } from '../taste/index.ts'
import { type Frets, fretsAt, type SearchCut, searchVoicings, type VoicingQuery, writeFrets } from '../voicing/index.ts'
import { queryOf, rankingFor } from './shapes.ts'

export interface Playing {
  readonly manner: Manner
  readonly ensemble: Ensemble
}

export interface TastedShape extends RankedShape {
  readonly taste: Taste
}

/** Alone, the root is kept; with a bass player it may go as well. */
const SCHOOLS: Readonly<Record<Ensemble, readonly OmissionSchool[]>> = {
  alone: ['drop-fifth', 'shell'],
  'bass-player': ['drop-fifth', 'shell', 'drop-root'],
}
/** A chord of three tones and more has three at least. */
const FEWEST_STRINGS = 3
/** The clock is looked at so seldom. */
const AT_ONCE = 64

export interface Tasted {
  readonly shapes: readonly TastedShape[]
  readonly cut: SearchCut | undefined
}

/** Every shape that a hand can hold, best first; what no hand holds is left out. */
export function tastedShapes(
  question: Question,
  player: Player,
  playing: Playing,
  more: Partial<VoicingQuery>,
): Tasted {
  const query: VoicingQuery = { ...queryOf(question, player), ...more, doubling: question.doubling ?? true }
  const { chord, neck } = query
  const { bestFingering } = handOn(neck, player.hand, { thumb: player.thumb })
  const bassAsked = question.bass !== undefined || question.arrangement.kind === 'list'
  const reader = tasteReader(chord, neck, player.hand, { ...playing, bassAsked })
  const scoreOf = shapeScorer(neck, rankingFor(question, player))
  const slash = bassDegreeOf(chord)
  const fewest = question.strings !== undefined || chord.formula.length < FEWEST_STRINGS ? 1 : FEWEST_STRINGS
  const seen = new Map<string, TastedShape>()
  let cut: SearchCut | undefined
  for (const school of query.omit === undefined ? SCHOOLS[playing.ensemble] : [query.school]) {
    // A bass written after the slash is obeyed: others are no candidates.
    const found = searchVoicings({ ...query, school, ...(slash === undefined ? {} : { bass: slash }) })
    cut ??= found.cut
    for (let row = 0; row < found.count; row++) {
      if (row % AT_ONCE === 0 && query.budget?.isOver?.()) {
        cut ??= 'time'
        break
      }
      const frets = fretsAt(found, row)
      const word = writeFrets(frets)
      if (seen.has(word) || soundingCount(frets) < fewest) continue
      const fingering = bestFingering(frets)
      if (!fingering) continue
      const taste = reader.tasteOf(frets, fingering)
      seen.set(word, { frets, fingering, reachMm: reachMm(neck, frets), score: scoreOf(frets, fingering.total), taste })
    }
  }
  return { shapes: [...seen.values()].sort((a, b) => a.taste.total - b.taste.total), cut }
}

const soundingCount = (frets: Frets): number => frets.reduce<number>((sum, fret) => sum + (fret === null ? 0 : 1), 0)
