/** The one reader and the one writer of shapes: whatever comes in is checked here, whatever goes out is read back. */
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { readTuning, writeTuning } from '../neck/index.ts'
import { fail, ok, type Result, remembered } from '../result/index.ts'
import { readFrets, writeFrets } from '../voicing/index.ts'
import { readFingers, writeFingers } from './fingersText.ts'
import type { Shape, ShapeError, ShapeTexts } from './types.ts'

const chordOf = remembered((text) => readSymbol(text))
const tuningOf = remembered((text) => readTuning(text))

/** Reads a shape. The first text that is wrong is refused with its field and place. */
export function readShape(texts: ShapeTexts): Result<Shape, ShapeError> {
  const chord = chordOf(texts.chord)
  if (!chord.ok) return fail({ ...chord.error, field: 'chord' })
  const tuning = tuningOf(texts.tuning)
  if (!tuning.ok) return fail({ ...tuning.error, field: 'tuning' })
  const frets = readFrets(texts.frets, tuning.value.strings.length)
  if (!frets.ok) return fail({ ...frets.error, field: 'frets' })
  const { root, formula, bass } = chord.value
  const shape: Shape = {
    chord: bass === undefined ? { root, formula } : { root, formula, bass },
    frets: frets.value,
    tuning: tuning.value,
  }
  if (!texts.fingers) return ok(shape)
  const fingers = readFingers(texts.fingers, frets.value)
  return fingers.ok ? ok({ ...shape, fingers: fingers.value }) : fail({ ...fingers.error, field: 'fingers' })
}

/** Writes a shape in letters and ASCII; `fingers` is empty when none were chosen. */
export const writeShape = ({ chord, frets, tuning, fingers }: Shape): Required<ShapeTexts> => ({
  chord: writeSymbol(chord, { ascii: true }),
  frets: writeFrets(frets),
  tuning: writeTuning(tuning),
  fingers: fingers ? writeFingers(fingers) : '',
})
