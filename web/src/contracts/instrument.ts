import type { Instrument } from '@nestling/core/neck'

export interface KeptInstrument extends Instrument {
  readonly id: number
  readonly version: number
}
