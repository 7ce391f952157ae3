import { type HandProfile, MEDIUM_HAND, scaledHand } from '@nestling/core/hand'
import { type Instrument, STANDARD_INSTRUMENT, type Tuning } from '@nestling/core/neck'
import type { Player } from '@nestling/core/request'
import type { Band } from '@nestling/core/time'
import type { Settings } from './settingsSchema.ts'

export { FASTEST, LABELS, LETTER_KEYS, SLOWEST } from './limits.ts'
export type { Settings, SettingsChange } from './settingsSchema.ts'
export type Labels = Settings['labels']

export const DEFAULT_SETTINGS: Settings = {
  instrumentId: null,
  labels: 'degree',
  naming: 'letters',
  symbols: 'words',
  leavingOut: 'drop-fifth',
  handComfortMm: MEDIUM_HAND.comfortableMm,
  thumb: false,
  withBassPlayer: false,
  manner: 'usual',
  lowOnTop: false,
  foundAs: 'bars',
  foundBy: 'taste',
  letterKeys: 'everywhere',
  strum: 'down',
  strumMs: 34,
  bassStandIn: false,
  bassLine: 'roots',
  cautionSeen: false,
  muted: false,
  room: true,
  volume: 70,
  stringsVolume: 80,
  bassVolume: 80,
  drumsVolume: 60,
  clickVolume: 60,
  tempo: 80,
  swing: 0,
  swung: 'eighths',
  countInBars: 1,
  metronome: true,
  drums: false,
  drumStyle: 'straight',
  latencyMs: 0,
  earJudges: false,
  wishedTempo: 100,
  restDays: [],
  restOn: '',
  cardsADay: 30,
  newCardsADay: 8,
}

/** The settings that are neither what they were when they were chosen nor what was chosen: somebody else has changed them. */
export function changedSince(
  now: Settings,
  seen: Partial<Settings>,
  chosen: Partial<Settings>,
): readonly (keyof Settings)[] {
  return (Object.keys(seen) as (keyof Settings)[]).filter(
    (name) => name in chosen && !isSame(name, now, seen) && !isSame(name, now, chosen),
  )
}

export const isSame = (name: keyof Settings, one: Partial<Settings>, other: Partial<Settings>): boolean =>
  JSON.stringify(one[name]) === JSON.stringify(other[name])

/** A hand of the player's own reach; a medium one unless it was measured. */
export const handOf = ({ handComfortMm }: Pick<Settings, 'handComfortMm'>): HandProfile =>
  handComfortMm === MEDIUM_HAND.comfortableMm
    ? MEDIUM_HAND
    : scaledHand(handComfortMm / MEDIUM_HAND.comfortableMm, 'measured')

/** What a view needs to know of the settings to be played. */
export type BandSettings = Pick<
  Settings,
  'metronome' | 'drums' | 'drumStyle' | 'bassStandIn' | 'bassLine' | 'countInBars'
>

/** The same with the bass alone, if it plays along: what one chord or step is heard with. */
export const withoutBeat = (settings: Settings): Settings => ({
  ...settings,
  metronome: false,
  drums: false,
  countInBars: 0,
})

/** Who plays along in views that bring no band of their own. */
export const bandOf = ({ metronome, drums, drumStyle, bassStandIn, bassLine }: BandSettings): Band => ({
  bass: bassStandIn ? bassLine : undefined,
  drums: drums ? drumStyle : undefined,
  click: metronome,
})

/** What core needs to know of the player. */
export const playerOf = (
  settings: Settings,
  instrument: Instrument = STANDARD_INSTRUMENT,
  ownTunings: readonly Tuning[] = [],
): Player => ({
  instrument,
  ownTunings,
  hand: handOf(settings),
  school: settings.leavingOut,
  thumb: settings.thumb,
  withBassPlayer: settings.withBassPlayer,
  manner: settings.manner === 'usual' ? undefined : settings.manner,
  naming: settings.naming === 'letters' ? ['letters'] : [settings.naming, 'letters'],
})
