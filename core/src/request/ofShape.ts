/** The question under which a shape opens: the same from the Book, the tray, the Map and every link. */
import { writeTuning } from '../neck/index.ts'
import { neckFor, type Shape } from '../shape/index.ts'
import { soundingStrings, voicingOf } from '../voicing/index.ts'
import { questionAround } from './around.ts'
import { DEFAULT_FRET_MAX } from './fields.ts'
import type { Player, Question } from './types.ts'

/** Its chord on the strings that it sounds, in its own tuning; whatever else it needs to be among the answers. */
export function questionOfShape(shape: Shape, { instrument }: Pick<Player, 'instrument'>): Question {
  const { chord, frets, tuning } = shape
  const highest = Math.max(0, ...frets.map((fret) => fret ?? 0))
  const plain: Question = {
    chord,
    arrangement: { kind: 'any' },
    strings: soundingStrings(frets),
    open: frets.includes(0) ? 'allow' : 'never',
    fretMin: 1,
    fretMax: Math.max(DEFAULT_FRET_MAX, highest),
    tuning: writeTuning(tuning) === writeTuning(instrument.tuning) ? undefined : tuning,
  }
  const voicing = voicingOf(chord, frets, neckFor(shape, instrument))
  return voicing ? { ...questionAround(voicing, plain), chord } : plain
}
