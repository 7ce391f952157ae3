/** A player for tests: a medium hand on a standard guitar, everything as it is at first. */
import { MEDIUM_HAND } from '../hand/index.ts'
import { STANDARD_INSTRUMENT } from '../neck/index.ts'
import type { Player } from './types.ts'

export const PLAYER: Player = {
  instrument: STANDARD_INSTRUMENT,
  ownTunings: [],
  hand: MEDIUM_HAND,
  school: 'drop-fifth',
  thumb: false,
  naming: ['letters'],
  withBassPlayer: false,
}
