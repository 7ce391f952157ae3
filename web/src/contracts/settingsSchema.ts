/** What is checked of the player's choices; apart from `settings.ts`, so that pages need not load the library that checks. */
import { MANNERS } from '@nestling/core/taste'
import { BASS_LINES, DRUM_STYLES, SWUNG } from '@nestling/core/time'
import * as v from 'valibot'
import { FASTEST, LABELS, LETTER_KEYS, SLOWEST } from './limits.ts'

const Percent = v.pipe(v.number(), v.minValue(0), v.maxValue(100))

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
  /** How chords are played where nobody says it; as is usual for the chord, or always so. */
  manner: v.picklist(['usual', ...MANNERS]),
  /** The lowest string drawn on top. */
  lowOnTop: v.boolean(),
  /** The shapes found as bars under the neck, or as small necks. */
  foundAs: v.picklist(['bars', 'necks']),
  /** In which order small necks stand: as players take them, nearest the shape in hand, least reach, up the neck. */
  foundBy: v.picklist(['taste', 'nearest', 'stretch', 'place']),
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

export const SettingsChange = v.partial(v.strictObject(Settings.entries))
export type SettingsChange = v.InferOutput<typeof SettingsChange>
/** `seen`: what they were when they were chosen, where that was a while ago. */
export const SettingsAsk = v.strictObject({ ...SettingsChange.entries, seen: v.optional(SettingsChange) })
