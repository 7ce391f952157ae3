import { type HandProfile, MEDIUM_HAND, scaledHand } from '@nestling/core/hand'
import { type Instrument, STANDARD_INSTRUMENT, type Tuning } from '@nestling/core/neck'
import type { Player } from '@nestling/core/request'
import { BASS_LINES, type Band, DRUM_STYLES, SWUNG } from '@nestling/core/time'
import * as v from 'valibot'

/** Quarter notes in a minute. */
export const SLOWEST = 20
export const FASTEST = 300

/** What stands inside the eggs. */
export const LABELS = ['degree', 'note', 'finger', 'none'] as const

const Percent = v.pipe(v.number(), v.minValue(0), v.maxValue(100))

/** Where a single letter, digit or sign is a command: for speech input and unsteady hands they can be bound or switched off. */
export const LETTER_KEYS = ['everywhere', 'neck', 'off'] as const

/** The player's choices that hold in every view. */
export const Settings = v.object({
  instrumentId: v.nullable(v.pipe(v.number(), v.integer())),
  labels: v.picklist(LABELS),
  naming: v.picklist(['letters', 'syllables', 'german']),
  symbols: v.picklist(['words', 'signs', 'dashes']),
  leavingOut: v.picklist(['drop-fifth', 'drop-root', 'shell']),
  /** The widest reach that the hand holds at ease, index to little finger, in mm. */
  handComfortMm: v.pipe(v.number(), v.minValue(50, 'at least 50 mm'), v.maxValue(150, 'at most 150 mm')),
  thumb: v.boolean(),
  withBassPlayer: v.boolean(),
  /** The lowest string drawn on top. */
  lowOnTop: v.boolean(),
  /** The shapes found as bars under the neck, or as small necks. */
  foundAs: v.picklist(['bars', 'necks']),
  letterKeys: v.picklist(LETTER_KEYS),
  strum: v.picklist(['down', 'up']),
  /** Milliseconds between neighbouring strings. */
  strumMs: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(200)),
  /** A bass that plays along, and what it plays; a tune in Path brings its own line. */
  bassStandIn: v.boolean(),
  bassLine: v.picklist(BASS_LINES),
  /** The cautions for the hand have been shown once; they stay in Set-up. */
  cautionSeen: v.boolean(),
  muted: v.boolean(),
  /** The strings stand in a small dry room. */
  room: v.boolean(),
  /** Of everything, 0 to 100. */
  volume: Percent,
  /** Of each part of the band, 0 to 100. */
  stringsVolume: Percent,
  bassVolume: Percent,
  drumsVolume: Percent,
  clickVolume: Percent,
  /** Quarter notes in a minute. */
  tempo: v.pipe(
    v.number(),
    v.integer(),
    v.minValue(SLOWEST, `at least ${SLOWEST}`),
    v.maxValue(FASTEST, `at most ${FASTEST}`),
  ),
  /** How late the second of two comes: 0 straight, 100 as in triplets; and which notes swing. */
  swing: Percent,
  swung: v.picklist(SWUNG),
  /** Bars counted before the music begins. */
  countInBars: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(2)),
  metronome: v.boolean(),
  drums: v.boolean(),
  /** A tune in Path brings its own. */
  drumStyle: v.picklist(DRUM_STYLES),
  /** Milliseconds between what the program plays and what is heard: the cursor waits for it, the ear allows for it. */
  latencyMs: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500)),
  /** In a run the ear proposes how each root went. */
  earJudges: v.boolean(),
  /** Quarter notes in a minute that the player wants to play everything at. */
  wishedTempo: v.pipe(v.number(), v.integer(), v.minValue(SLOWEST), v.maxValue(FASTEST)),
  /** Days of the week without practice, Sunday 0; and one day that is taken off. */
  restDays: v.pipe(
    v.array(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(6))),
    v.maxLength(6, 'a day to play'),
  ),
  restOn: v.pipe(v.string(), v.maxLength(10)),
  /** Recall cards in a day, and how many of them may be new. */
  cardsADay: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(200)),
  newCardsADay: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(50)),
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
  handComfortMm: MEDIUM_HAND.comfortableMm,
  thumb: false,
  withBassPlayer: false,
  lowOnTop: false,
  foundAs: 'bars',
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
  naming: settings.naming === 'letters' ? ['letters'] : [settings.naming, 'letters'],
})
