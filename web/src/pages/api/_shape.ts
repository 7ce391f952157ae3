/** Reads a shape and its tuning out of a query, for the endpoints that ask about one. */
import {
  type Instrument,
  type Neck,
  neckOf,
  readTuning,
  STANDARD_INSTRUMENT,
  STANDARD_TUNING,
  type Tuning,
} from '@nestling/core/neck'
import { type Shape, writeShape } from '@nestling/core/shape'
import { type Frets, highestPressed, readFrets } from '@nestling/core/voicing'
import { refuse, refuseWith } from './_respond.ts'

type Read<T> = ({ readonly ok: true } & T) | { readonly ok: false; readonly response: Response }

/** Frets to 24, all of them in reach: a script asks about the strings, not about one guitar's body. */
export const SCRIPTS_INSTRUMENT = { ...STANDARD_INSTRUMENT, frets: 24, lastReachableFret: 24 }

export interface Measured {
  readonly instrument: Instrument
  /** For which guitar mm are told. */
  readonly told: { readonly name: string; readonly scaleLengthMm: number }
}

/**
 * The neck of a script, its scale that of the notebook's own guitar: a width is the same here and on the screen. Where no
 * notebook is open it is the standard one; the answer says which.
 */
export function measured(asked: { readonly locals: Partial<App.Locals> }): Measured {
  const { name, scaleLengthMm } = ownInstrument(asked) ?? SCRIPTS_INSTRUMENT
  return { instrument: { ...SCRIPTS_INSTRUMENT, scaleLengthMm }, told: { name, scaleLengthMm } }
}

function ownInstrument(asked: { readonly locals: Partial<App.Locals> }): Instrument | undefined {
  try {
    const { settings, instruments } = asked.locals
    const id = settings?.read().instrumentId ?? null
    return id === null ? undefined : instruments?.find(id)
  } catch {
    // What reckons needs no notebook.
    return undefined
  }
}

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
