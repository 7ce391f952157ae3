/**
 * The whole answer to a question: every shape with its arrangement, fingers, silent strings, register and other names.
 * The page asks `shapesFor` and works out the rest for the rows it shows; scripts and the HTTP endpoint take it whole.
 */
import {
  type HandVerdict,
  handOn,
  handVerdict,
  type RankedShape,
  type RegisterWarning,
  rankShapes,
  reachMm,
  registerWarnings,
  type SilentString,
  shapeScorer,
  silentStrings,
} from '../hand/index.ts'
import { type ChordName, namesOfTones, soundedTones, soundKey } from '../name/index.ts'
import type { Midi } from '../pitch/index.ts'
import type { Player, Question } from '../request/index.ts'
import type { Taste } from '../taste/index.ts'
import {
  type SearchBudget,
  type SearchCut,
  searchVoicings,
  type Voicing,
  type VoicingQuery,
  voicingReader,
} from '../voicing/index.ts'
import { queryOf, rankingFor } from './shapes.ts'
import { type Playing, tastedShapes } from './tasted.ts'

export interface AnsweredShape extends RankedShape {
  readonly voicing: Voicing
  readonly verdict: HandVerdict
  readonly silent: readonly SilentString[]
  readonly register: readonly RegisterWarning[]
  /** Every name of the sound, best first; shapes that sound alike share the list. */
  readonly names: readonly ChordName[]
  /** Where it was asked for a way of playing: what the place in the order rests on. */
  readonly taste: Taste | undefined
}

export interface Answer {
  readonly shapes: readonly AnsweredShape[]
  /** How many were found; all there are unless the budget was spent. */
  readonly count: number
  /** Why not all are told: there are more than the limit, or the search ended before it was complete. */
  readonly cut: SearchCut | 'limit' | undefined
}

export interface AnswerOptions {
  /** How many shapes to tell in full; `count` counts all. */
  readonly limit?: number
  readonly budget?: SearchBudget
  /** Whether no more shapes may be told. The clock comes from outside. */
  readonly isOver?: () => boolean
  /** The very pitch on top, and the lowest and highest that may sound. */
  readonly register?: Pick<VoicingQuery, 'topMidi' | 'lowest' | 'highest'>
  /** Ordered as this player would take them, and only what can be held; without it by ease. */
  readonly playing?: Playing | undefined
}

/** The clock is looked at so seldom. */
const AT_ONCE = 64

export function answerTo(
  question: Question,
  player: Player,
  { limit = Number.POSITIVE_INFINITY, budget, isOver, register, playing }: AnswerOptions = {},
): Answer {
  const query: VoicingQuery = { ...queryOf(question, player), ...register, budget }
  const { neck, chord } = query
  const { ranked, count, foundCut } = playing
    ? tasted(question, player, playing, { ...register, budget }, limit)
    : byEase(query, question, player, limit)
  const voicingIn = voicingReader(chord, neck)
  const namesOfSound = new Map<number, readonly ChordName[]>()
  const told = (shape: RankedShape & { readonly taste?: Taste }): AnsweredShape => {
    const voicing = voicingIn(shape.frets)
    const tones = soundedTones(shape.frets, neck)
    if (voicing === undefined || tones === undefined) throw new Error(`${shape.frets.join()} does not sound the chord`)
    const sound = soundKey(tones)
    let names = namesOfSound.get(sound)
    if (names === undefined) {
      names = namesOfTones(tones, { near: chord })
      namesOfSound.set(sound, names)
    }
    return {
      frets: shape.frets,
      reachMm: shape.reachMm,
      fingering: shape.fingering,
      score: shape.score,
      taste: shape.taste,
      voicing,
      verdict: handVerdict(shape.frets, neck, player.hand, shape.fingering, { thumb: player.thumb }),
      silent: shape.fingering ? silentStrings(neck, shape.frets, shape.fingering, player.instrument.pluck) : [],
      register: registerWarnings(
        voicing.midis.filter((midi): midi is Midi => midi !== null),
        player.withBassPlayer,
      ),
      names,
    }
  }
  const shapes: AnsweredShape[] = []
  for (const [index, shape] of ranked.entries()) {
    if (index % AT_ONCE === AT_ONCE - 1 && isOver?.()) return { shapes, count, cut: foundCut ?? 'time' }
    shapes.push(told(shape))
  }
  return { shapes, count, cut: foundCut ?? (count > limit ? 'limit' : undefined) }
}

interface Ranked {
  readonly ranked: readonly (RankedShape & { readonly taste?: Taste })[]
  readonly count: number
  readonly foundCut: SearchCut | undefined
}

function byEase(query: VoicingQuery, question: Question, player: Player, limit: number): Ranked {
  const found = searchVoicings(query)
  const ranked = rankShapes(found, query.neck, player.hand, rankingFor(question, player)).slice(0, limit)
  return { ranked, count: found.count, foundCut: found.cut }
}

function tasted(
  question: Question,
  player: Player,
  playing: Playing,
  more: Partial<VoicingQuery>,
  limit: number,
): Ranked {
  const { shapes, reader, cut } = tastedShapes(question, player, playing, more)
  const { neck } = queryOf(question, player)
  const { bestFingering } = handOn(neck, player.hand, { thumb: player.thumb })
  const scoreOf = shapeScorer(neck, rankingFor(question, player))
  const ranked = shapes.slice(0, limit).map(({ frets, hold }) => ({
    frets,
    reachMm: reachMm(neck, frets),
    fingering: bestFingering(frets),
    score: scoreOf(frets, hold.effort),
    taste: reader.tasteOf(frets, hold),
  }))
  return { ranked, count: shapes.length, foundCut: cut }
}
