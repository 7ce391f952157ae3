/** Reads a shape and its tuning out of a query, for the endpoints that ask about one. */
import { type Neck, neckOf, readTuning, STANDARD_INSTRUMENT, STANDARD_TUNING, type Tuning } from '@nestling/core/neck'
import { type Shape, writeShape } from '@nestling/core/shape'
import { type Frets, highestPressed, readFrets } from '@nestling/core/voicing'
import { refuse, refuseWith } from './_respond.ts'

type Read<T> = ({ readonly ok: true } & T) | { readonly ok: false; readonly response: Response }

/** Frets to 24, all of them in reach: a script asks about the strings, not about one guitar's body. */
export const SCRIPTS_INSTRUMENT = { ...STANDARD_INSTRUMENT, frets: 24, lastReachableFret: 24 }

/** A shape's four texts as core writes them: the same shape is the same text, however it was typed. */
export function asTexts(shape: Shape) {
  const { fingers = '', ...texts } = writeShape(shape)
  return { ...texts, fingers }
}

const neckIn = (tuning: Tuning): Neck => neckOf({ ...SCRIPTS_INSTRUMENT, tuning })

function readTuningField(text: string | undefined): Read<{ readonly tuning: Tuning }> {
  if (text === undefined) return { ok: true, tuning: STANDARD_TUNING }
  const read = readTuning(text)
  return read.ok ? { ok: true, tuning: read.value } : { ok: false, response: refuse('tuning', read.error) }
}

export function readShapeFields(query: {
  readonly frets: string
  readonly tuning?: string | undefined
}): Read<{ readonly frets: Frets; readonly neck: Neck }> {
  const tuning = readTuningField(query.tuning)
  if (!tuning.ok) return tuning
  const frets = readFrets(query.frets, tuning.tuning.strings.length)
  if (!frets.ok) return { ok: false, response: refuse('frets', frets.error) }
  const neck = neckIn(tuning.tuning)
  const highest = highestPressed(frets.value)
  if (highest <= neck.lastFret) return { ok: true, frets: frets.value, neck }
  const expected = `frets up to ${neck.lastFret}`
  return {
    ok: false,
    response: refuseWith('frets', {
      message: `there is no fret ${highest}; expected ${expected}`,
      at: query.frets.indexOf(String(highest)),
      expected,
    }),
  }
}
