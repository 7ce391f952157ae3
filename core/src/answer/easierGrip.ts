/** What a player would take instead of a kept shape: the same chord where it lies better under the hand. */
import { type Fingering, handOn } from '../hand/index.ts'
import { type Player, playingOf, type Question, questionOfShape } from '../request/index.ts'
import { neckFor, type Shape } from '../shape/index.ts'
import type { TastePart, TasteTerm } from '../taste/index.ts'
import { type Frets, lowestPressed } from '../voicing/index.ts'
import { queryOf } from './shapes.ts'
import { bestOf, promising, type TastedShape } from './tasted.ts'
import { tasteOfShape } from './tasteOfShape.ts'

export interface EasierGrip {
  readonly frets: Frets
  /** What makes most of the difference. */
  readonly because: TasteTerm
}

/** So much better a grip must be to be worth telling of one that was kept on purpose: as much as lets a typed wish give way. */
const EASIER = 4
/** Grips so close to the best are taken where the hand is. */
const AS_GOOD = 1
const MOST = 12

/**
 * @returns The grip of least taste among those that need no more effort, on any strings; of such as are as good the nearest
 * to the kept one. `undefined` where the kept one is good, or where nothing is known of it: no hand holds it, or it is another chord.
 */
export function easierGrip(shape: Shape, player: Player): EasierGrip | undefined {
  const own = questionOfShape(shape, player)
  const neck = neckFor(shape, player.instrument)
  const hand = handOn(neck, player.hand, { thumb: player.thumb })
  const fingering = hand.bestFingering(shape.frets)
  if (!fingering) return undefined
  // Its tones are free of the strings, the order and the bass that it has; its manner is the one that it is held in.
  const { tuning, open, fretMax } = own
  const free: Question = { chord: shape.chord, arrangement: { kind: 'any' }, tuning, open, fretMin: 1, fretMax }
  const playing = playingOf(own, player)
  const tasteOf = (frets: Frets, held: Fingering) =>
    tasteOfShape({ ...free, manner: playing.manner }, player, frets, held)
  const now = tasteOf(shape.frets, fingering)
  const { school: _, ...query } = queryOf(free, player)
  const best = bestOf(promising({ ...query, doubling: true }, playing, player.hand, hand), MOST, {
    extra: (frets) => (isSame(frets, shape.frets) ? undefined : 0),
  }).shapes.filter(({ hold }) => hold.effort <= fingering.total)
  const [first] = best
  if (!first || first.total > now.total - EASIER) return undefined
  const from = lowestPressed(shape.frets)
  const away = ({ frets }: TastedShape) => Math.abs(lowestPressed(frets) - from)
  const { frets } = best
    .filter(({ total }) => total <= first.total + AS_GOOD)
    .reduce((nearest, one) => (away(one) < away(nearest) ? one : nearest))
  const then = tasteOf(frets, hand.bestFingering(frets) ?? fingering)
  const saved = ({ term, value }: TastePart) => value - (then.parts.find((part) => part.term === term)?.value ?? 0)
  return { frets, because: now.parts.reduce((most, part) => (saved(part) > saved(most) ? part : most)).term }
}

const isSame = (a: Frets, b: Frets): boolean => a.every((fret, string) => fret === b[string])
