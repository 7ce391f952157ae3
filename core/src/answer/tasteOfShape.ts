/** What the order of the list says of one shape. */
import type { Fingering } from '../hand/index.ts'
import { neckOf } from '../neck/index.ts'
import { instrumentFor, type Player, playingOf, type Question } from '../request/index.ts'
import { type Taste, tasteReader } from '../taste/index.ts'
import type { Frets } from '../voicing/index.ts'
import { isBassAsked } from './ranking.ts'

/** @param fingering How it is held; the best one for its place in the list. */
export function tasteOfShape(question: Question, player: Player, frets: Frets, fingering: Fingering): Taste {
  const reader = tasteReader(question.chord, neckOf(instrumentFor(question, player)), player.hand, {
    ...playingOf(question, player),
    open: question.open,
    bassAsked: isBassAsked(question),
  })
  return reader.tasteOf(frets, { effort: fingering.total, isCrowded: fingering.cost.crowding > 0 })
}
