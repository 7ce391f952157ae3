/** How a question is played: in the manner that it names, the player's own, or the usual one; and with whom. */
import { type Ensemble, type Manner, ringsOpen, usualManner } from '../taste/index.ts'
import type { Player, Question } from './types.ts'

export interface Playing {
  readonly manner: Manner
  readonly ensemble: Ensemble
}

export function playingOf({ chord, manner, tuning, open }: Question, player: Player): Playing {
  const usual = usualManner(chord, tuning === undefined)
  return {
    // What lies at the nut by habit is not what is barred where nothing rings.
    manner: manner ?? player.manner ?? (usual === 'barre' && open !== 'never' ? 'open' : usual),
    ensemble: player.withBassPlayer ? 'bass-player' : 'alone',
  }
}

/** Strummed or plucked full: then tones are doubled where strings are free. */
export const isFull = (manner: Manner): boolean => ringsOpen(manner) || manner === 'barre' || manner === 'blues'
