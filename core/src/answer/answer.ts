/**
 * The whole answer to a question: every shape with its arrangement, fingers, silent strings, register and other names.
 * The page asks `shapesFor` and works out the rest for the rows it shows; scripts and the HTTP endpoint take it whole.
 */
import {
  type Fingering,
  type HandVerdict,
  handOn,
  handVerdict,
  type RegisterWarning,
  reachMm,
  registerWarnings,
  type SilentString,
  silentStrings,
} from '../hand/index.ts'
import { type ChordName, namesOfTones, soundedTones, soundKey } from '../name/index.ts'
import type { Midi } from '../pitch/index.ts'
import { type Player, type Playing, playingOf, type Question } from '../request/index.ts'
import { type Taste, tasteReader } from '../taste/index.ts'
import {
  type Frets,
  fretsAt,
  type SearchBudget,
  type SearchCut,
  searchVoicings,
  type Voicing,
  type VoicingQuery,
  voicingReader,
} from '../voicing/index.ts'
import { isBassAsked, rankByTaste } from './ranking.ts'
import { queryOf } from './shapes.ts'
import { tastedShapes } from './tasted.ts'

export interface AnsweredShape {
  readonly frets: Frets
  readonly reachMm: number
  /** The best fingering; `undefined` when the hand can't hold the shape. Such shapes come last. */
  readonly fingering: Fingering | undefined
  readonly voicing: Voicing
  readonly verdict: HandVerdict
  readonly silent: readonly SilentString[]
  readonly register: readonly RegisterWarning[]
  /** Every name of the sound, best first; shapes that sound alike share the list. */
  readonly names: readonly ChordName[]
  /** What its place in the order rests on; `undefined` where it can't be held. */
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
  /** A manner and an ensemble that are asked for: then doubled, and with whatever fits them left out; only what can be held. */
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
  const own = playing ?? playingOf(question, player)
  const { ranked, count, foundCut } = playing
    ? tasted(question, player, playing, { ...register, budget })
    : complete(query, own, player)
  const reader = tasteReader(chord, neck, player.hand, { ...own, open: query.open, bassAsked: isBassAsked(query) })
  const { bestFingering } = handOn(neck, player.hand, { thumb: player.thumb })
  const voicingIn = voicingReader(chord, neck)
  const namesOfSound = new Map<number, readonly ChordName[]>()
  const told = (frets: Frets): AnsweredShape => {
    const voicing = voicingIn(frets)
    const tones = soundedTones(frets, neck)
    if (voicing === undefined || tones === undefined) throw new Error(`${frets.join()} does not sound the chord`)
    const sound = soundKey(tones)
    let names = namesOfSound.get(sound)
    if (names === undefined) {
      names = namesOfTones(tones, { near: chord })
      namesOfSound.set(sound, names)
    }
    const fingering = bestFingering(frets)
    return {
      frets,
      reachMm: reachMm(neck, frets),
      fingering,
      taste: fingering && reader.tasteOf(frets, { effort: fingering.total, isCrowded: fingering.cost.crowding > 0 }),
      voicing,
      verdict: handVerdict(frets, neck, player.hand, fingering, { thumb: player.thumb }),
      silent: fingering ? silentStrings(neck, frets, fingering, player.instrument.pluck) : [],
      register: registerWarnings(
        voicing.midis.filter((midi): midi is Midi => midi !== null),
        player.withBassPlayer,
      ),
      names,
    }
  }
  const shapes: AnsweredShape[] = []
  for (const [index, frets] of ranked.slice(0, limit).entries()) {
    if (index % AT_ONCE === AT_ONCE - 1 && isOver?.()) return { shapes, count, cut: foundCut ?? 'time' }
    shapes.push(told(frets))
  }
  return { shapes, count, cut: foundCut ?? (count > limit ? 'limit' : undefined) }
}

interface Ranked {
  readonly ranked: readonly Frets[]
  readonly count: number
  readonly foundCut: SearchCut | undefined
}

function complete(query: VoicingQuery, playing: Playing, player: Player): Ranked {
  const found = searchVoicings(query)
  const { rows } = rankByTaste(found, query, playing, player)
  return { ranked: Array.from(rows, (row) => fretsAt(found, row)), count: found.count, foundCut: found.cut }
}

function tasted(question: Question, player: Player, playing: Playing, more: Partial<VoicingQuery>): Ranked {
  const { shapes, cut } = tastedShapes(question, player, playing, more)
  return { ranked: shapes.map(({ frets }) => frets), count: shapes.length, foundCut: cut }
}
