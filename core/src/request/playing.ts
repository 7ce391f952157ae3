/** How a question is played: in the manner that it names, the player's own, or the usual one; and with whom. */
import { type Ensemble, type Manner, ringsOpen, usualManner } from '../taste/index.ts'
import type { Player, Question } from './types.ts'

export interface Playing {
  readonly manner: Manner
  readonly ensemble: Ensemble
}

export function playingOf(question: Question, player: Player): Playing {
  return {
    manner: question.manner ?? player.manner ?? usualFor(question),
    ensemble: player.withBassPlayer ? 'bass-player' : 'alone',
  }
}

/** In the manner that is asked for, or that the player always has; none: as is usual. Who plays along is a habit. */
export function playingIn(manner: Manner | undefined, player: Player): Playing | undefined {
  const taken = manner ?? player.manner
  return taken && { manner: taken, ensemble: player.withBassPlayer ? 'bass-player' : 'alone' }
}

/** A triad is barred only where all strings may sound. */
function usualFor({ chord, tuning, open, strings }: Question): Manner {
  const usual = usualManner(chord, tuning === undefined)
  if (usual === 'comp') return usual
  if (strings !== undefined && strings.length < FULL) return 'comp'
  return open === 'never' ? usual : 'open'
}
const FULL = 5

/** Strummed or plucked full: then tones are doubled where strings are free. */
export const isFull = (manner: Manner): boolean => ringsOpen(manner) || manner === 'barre' || manner === 'blues'
