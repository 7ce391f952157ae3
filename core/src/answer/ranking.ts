/**
 * All shapes of a search in the order in which a player takes them: those that can be held by their taste, then the others.
 *   VoicingsFound + Playing ─rankByTaste→ rows in order, totals, reaches, held
 */
import { handOn, reachMm } from '../hand/index.ts'
import type { Player, Playing, Question } from '../request/index.ts'
import { tasteReader } from '../taste/index.ts'
import { fretsAt, type VoicingQuery, type VoicingsFound } from '../voicing/index.ts'

/** Row r of the order is row `rows[r]` of the search; all else is by the search's row. */
export interface TasteRanking {
  readonly rows: Int32Array
  readonly totals: Float64Array
  readonly reachesMm: Float32Array
  /** 1 where four fingers can hold the shape. */
  readonly held: Uint8Array
  /** Of each total, what a fret up the neck weighs. */
  readonly perFret: number
}

export const isBassAsked = ({ bass, arrangement }: Pick<Question, 'bass' | 'arrangement'>): boolean =>
  bass !== undefined || arrangement.kind === 'list'

export function rankByTaste(
  found: VoicingsFound,
  { chord, neck, bass, arrangement, open }: Pick<VoicingQuery, 'chord' | 'neck' | 'bass' | 'arrangement' | 'open'>,
  playing: Playing,
  { hand, thumb }: Pick<Player, 'hand' | 'thumb'>,
): TasteRanking {
  const reader = tasteReader(chord, neck, hand, {
    ...playing,
    open,
    bassAsked: isBassAsked({ bass, arrangement }),
  })
  const { bestHold } = handOn(neck, hand, { thumb })
  const totals = new Float64Array(found.count)
  const reachesMm = new Float32Array(found.count)
  const held = new Uint8Array(found.count)
  for (let row = 0; row < found.count; row++) {
    const frets = fretsAt(found, row)
    const hold = bestHold(frets)
    totals[row] = reader.total(found.frets, row * found.strings, hold)
    reachesMm[row] = reachMm(neck, frets)
    held[row] = hold ? 1 : 0
  }
  // Of equal shapes the first that was found comes first.
  const rows = Int32Array.from(totals, (_, row) => row).sort(
    (a, b) => (totals[a] as number) - (totals[b] as number) || a - b,
  )
  return { rows, totals, reachesMm, held, perFret: reader.perFret }
}
