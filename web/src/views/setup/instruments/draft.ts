import type { Instrument } from '@nestling/core/neck'
import { STANDARD_INSTRUMENT, writeTuning } from '@nestling/core/neck'
import type { InstrumentDraft } from '../../../contracts/instrument.ts'

/** An instrument as its form holds it. */
export const draftOf = (instrument: Instrument): InstrumentDraft => ({
  name: instrument.name,
  tuningName: instrument.tuning.name,
  tuning: writeTuning(instrument.tuning),
  capo: instrument.capo
    ? {
        fret: instrument.capo.fret,
        strings: instrument.capo.strings === 'all' ? 'all' : [...instrument.capo.strings],
      }
    : null,
  frets: instrument.frets,
  scaleLengthMm: instrument.scaleLengthMm,
  spacingNutMm: instrument.spacingNutMm,
  spacingBridgeMm: instrument.spacingBridgeMm,
  lastReachableFret: instrument.lastReachableFret,
  handed: instrument.handed,
  pluck: instrument.pluck,
})

export const NEW_INSTRUMENT: InstrumentDraft = { ...draftOf(STANDARD_INSTRUMENT), name: '' }
