import type { Setting } from '@nestling/core/build'
import { MEDIUM_HAND } from '@nestling/core/hand'
import { type Instrument, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import * as v from 'valibot'

/** What stands inside the eggs. */
export const LABELS = ['degree', 'note', 'finger', 'none'] as const

/** The player's choices that hold in every view. */
export const Settings = v.object({
  instrumentId: v.nullable(v.pipe(v.number(), v.integer())),
  labels: v.picklist(LABELS),
  naming: v.picklist(['letters', 'syllables', 'german']),
  symbols: v.picklist(['words', 'signs', 'dashes']),
  leavingOut: v.picklist(['drop-fifth', 'drop-root', 'shell']),
  thumb: v.boolean(),
  withBassPlayer: v.boolean(),
  /** The lowest string drawn on top. */
  lowOnTop: v.boolean(),
  strum: v.picklist(['down', 'up']),
  /** Milliseconds between neighbouring strings. */
  strumMs: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(200)),
  /** A bass that plays the root along. */
  bassStandIn: v.boolean(),
  muted: v.boolean(),
  /** 0 to 100. */
  volume: v.pipe(v.number(), v.minValue(0), v.maxValue(100)),
})
export type Settings = v.InferOutput<typeof Settings>
export type Labels = Settings['labels']

export const SettingsChange = v.partial(v.strictObject(Settings.entries))

export const DEFAULT_SETTINGS: Settings = {
  instrumentId: null,
  labels: 'degree',
  naming: 'letters',
  symbols: 'words',
  leavingOut: 'drop-fifth',
  thumb: false,
  withBassPlayer: false,
  lowOnTop: false,
  strum: 'down',
  strumMs: 34,
  bassStandIn: false,
  muted: false,
  volume: 70,
}

/** What core needs to know of the player. */
export const settingOf = (settings: Settings, instrument: Instrument = STANDARD_INSTRUMENT): Setting => ({
  instrument,
  hand: MEDIUM_HAND,
  school: settings.leavingOut,
  thumb: settings.thumb,
  withBassPlayer: settings.withBassPlayer,
  naming: settings.naming === 'letters' ? ['letters'] : [settings.naming, 'letters'],
})
