/**
 * Which shapes a player takes, best first: on any strings, doubled or not, with every school of leaving out that fits who plays.
 *   VoicingQuery + manner + ensemble ─searchVoicings→ all ─withoutHand→ by promise ─bestHold→ held, as many as are asked
 */
import { bassDegreeOf, type OmissionSchool } from '../chord/index.ts'
import { type HandOnNeck, type HandProfile, type Hold, handOn } from '../hand/index.ts'
import type { Player, Playing, Question } from '../request/index.ts'
import { type Ensemble, type TasteReader, tasteReader } from '../taste/index.ts'
import {
  type Frets,
  fretsAt,
  type SearchCut,
  searchVoicings,
  type VoicingQuery,
  type VoicingsFound,
} from '../voicing/index.ts'
import { isBassAsked } from './ranking.ts'
import { queryOf } from './shapes.ts'

export interface TastedShape {
  readonly frets: Frets
  readonly hold: Hold
  /** Its taste; lower is better. */
  readonly total: number
}

/** Alone, the root is kept; with a bass player it may go as well. */
export const SCHOOLS: Readonly<Record<Ensemble, readonly OmissionSchool[]>> = {
  alone: ['drop-fifth', 'shell'],
  'bass-player': ['drop-fifth', 'shell', 'drop-root'],
}
/** A chord of three tones and more has three at least. */
const FEWEST_STRINGS = 3
/** The clock is looked at so seldom. */
const AT_ONCE = 64

interface PromisingShape {
  readonly frets: Frets
  /** What it costs at least, before anybody holds it. */
  readonly least: number
}

/** Shapes by what they cost before anybody holds them; who holds them is found out one by one. */
export interface Promising {
  readonly reader: TasteReader
  readonly hand: HandOnNeck
  readonly shapes: readonly PromisingShape[]
  readonly cut: SearchCut | undefined
}

/** All that a player may take for a chord, the most promising first. */
export function promising(
  query: Omit<VoicingQuery, 'school'> & { readonly school?: VoicingQuery['school'] | undefined },
  playing: Playing,
  profile: HandProfile,
  hand: HandOnNeck,
): Promising {
  const { chord, neck, stringSets } = query
  const slash = bassDegreeOf(chord)
  const reader = tasteReader(chord, neck, profile, {
    ...playing,
    open: query.open,
    bassAsked: isBassAsked(query),
  })
  // A bass written after the slash is obeyed: others are no candidates.
  const bass = slash ?? query.bass
  const found = searchVoicings({
    ...query,
    bass,
    school: query.school ?? SCHOOLS[playing.ensemble],
  })
  const fewest = stringSets !== undefined || chord.formula.length < FEWEST_STRINGS ? 1 : FEWEST_STRINGS
  const rows: number[] = []
  const least = new Float64Array(found.count)
  for (let row = 0; row < found.count; row++) {
    if (soundingCount(found, row) < fewest) continue
    rows.push(row)
    least[row] = reader.withoutHand(found.frets, row * found.strings)
  }
  rows.sort((a, b) => (least[a] as number) - (least[b] as number))
  const shapes = rows.map((row): PromisingShape => {
    let frets: Frets | undefined
    return {
      least: least[row] as number,
      // Of thousands most are never looked at.
      get frets() {
        frets ??= fretsAt(found, row)
        return frets
      },
    }
  })
  return { reader, hand, shapes, cut: found.cut }
}

/**
 * The best of them: no other that a hand can hold costs less.
 * @param extra What is asked of a shape besides, as a cost; `undefined`: it is no candidate.
 */
export function bestOf(
  { reader, hand, shapes }: Pick<Promising, 'reader' | 'hand' | 'shapes'>,
  most: number,
  {
    extra = () => 0,
    isOver,
  }: { extra?: (frets: Frets) => number | undefined; isOver?: (() => boolean) | undefined } = {},
): { readonly shapes: readonly TastedShape[]; readonly isCut: boolean } {
  const best: TastedShape[] = []
  let looked = 0
  for (const shape of shapes) {
    const { least } = shape
    // What the last of the best costs: a promise beyond it is not kept by any hand.
    if (best.length >= most && least > (best[most - 1] as TastedShape).total) break
    if (++looked % AT_ONCE === 0 && isOver?.()) return { shapes: best.slice(0, most), isCut: true }
    const { frets } = shape
    const more = extra(frets)
    const hold = more === undefined ? undefined : hand.bestHold(frets)
    if (!hold || more === undefined) continue
    const total = least + more + reader.ofHand(hold)
    best.splice(placeFor(best, total), 0, { frets, hold, total })
  }
  return { shapes: best.slice(0, most), isCut: false }
}

/** Behind all that cost no more: of equal ones the first that was found stays first. */
function placeFor(sorted: readonly TastedShape[], total: number): number {
  let [low, high] = [0, sorted.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((sorted[middle] as TastedShape).total <= total) low = middle + 1
    else high = middle
  }
  return low
}

export interface Tasted {
  readonly shapes: readonly TastedShape[]
  readonly reader: TasteReader
  readonly cut: SearchCut | undefined
}

/** Every shape that a hand can hold, best first; what no hand holds is left out. */
export function tastedShapes(
  question: Question,
  player: Player,
  playing: Playing,
  more: Partial<VoicingQuery>,
): Tasted {
  const { school: _, ...query } = { ...queryOf(question, player), ...more, doubling: question.doubling ?? true }
  const all = promising(query, playing, player.hand, handOn(query.neck, player.hand, { thumb: player.thumb }))
  const { shapes, isCut } = bestOf(all, Number.POSITIVE_INFINITY, { isOver: query.budget?.isOver })
  return { shapes, reader: all.reader, cut: all.cut ?? (isCut ? 'time' : undefined) }
}

function soundingCount({ frets, strings }: VoicingsFound, row: number): number {
  let count = 0
  for (let at = row * strings; at < (row + 1) * strings; at++) if ((frets[at] as number) >= 0) count++
  return count
}
