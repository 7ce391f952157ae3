/**
 * What core refuses, in words: one sentence for a person, and what would be right. Core tells codes and places; nobody
 * reads a sentence back.
 */
import type { ChartError } from '@nestling/core/chart'
import type { SymbolError } from '@nestling/core/chord'
import type { KeyError, NumbersError } from '@nestling/core/key'
import type { KeyLineError, LaneError } from '@nestling/core/lane'
import type { JoiningError } from '@nestling/core/map'
import type { InstrumentMeasure, InstrumentProblem } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import type { MaterialError, RunLineError } from '@nestling/core/practice'
import type { ProgressionError } from '@nestling/core/progression'
import type { FieldError, QuestionError } from '@nestling/core/request'
import type { ShapeError } from '@nestling/core/shape'
import { MANNERS } from '@nestling/core/taste'
import { BASS_LINES, type MetreError, type PatternError } from '@nestling/core/time'
import type { TuneError, TuneField } from '@nestling/core/tune'
import type { ArrangementError, FretsError } from '@nestling/core/voicing'

export type ToldError =
  | SymbolError
  | KeyError
  | NumbersError
  | LaneError
  | KeyLineError
  | MetreError
  | PatternError
  | ChartError
  | ArrangementError
  | FretsError
  | JoiningError
  | MaterialError
  | RunLineError
  | QuestionError
  | TuneError
  | Omit<ShapeError, 'field'>
  | Omit<ProgressionError, 'field'>
  | Omit<FieldError, 'field'>

export interface Words {
  /** One plain sentence that holds all of it, ready to be shown. */
  readonly message: string
  readonly expected: string
}

type Coded =
  | SymbolError
  | KeyError
  | NumbersError
  | KeyLineError
  | MetreError
  | PatternError
  | ChartError
  | ArrangementError
  | FretsError
  | JoiningError
  | MaterialError
  | RunLineError
  | QuestionError
  | ShapeError
  | TuneError
type Codes = Coded['code']
type Case<Code extends Codes> = Extract<Coded, { readonly code: Code }>

/** "x is wrong; expected y": most refusals. */
const wants = (wrong: string, expected: string): Words => ({ message: `${wrong}; expected ${expected}`, expected })
const says = (message: string, expected: string): Words => ({ message, expected })

const DEGREES = 'degrees such as R b3 5 b7 9 #11'
const START = 'a note name such as C, F# or Bb first'
const ITEM = 'a tension (b9 #9 #11 b13), b5, #5, sus, add, no, or a bass after /'
const MATERIAL = 'what stands behind a root, such as m7, maj9 or arpeggio 7b9'
const RUN = 'a run such as m7 on 5 and 6 fourths from E 80, maj7 drop2 4321 or Gdim=xx532x'
const ARRANGEMENT = 'close, drop-2, drop-3, drop-2-4, drop-2-3, spread, shell, any, or degrees such as R-7-3-5'
const FRETS = 'one fret, 0 or x per string, low to high, such as x35343 or x-10-12-10-12-x'
const KEY = 'a key such as Bb, Bb major, Gm, G minor or F# Dorian'
const NUMBERS = 'numbers such as 6 2 5 1, ii V I, V/V or b7'
const KEY_LINE =
  'a key, triads to thirteenths, honest or plain, strings such as 6 5 or 321, shells, rootless, an order such as R735, numbers such as 2 5 1'
const CHART = 'chords in bars such as | Fm9 | Bbm7 C7 | % |, dots, N.C., [A], |: :| and 1. 2.'
const STROKES = 'strokes such as 1/8 p i m a, (ima), *, b c, ↓ ↑ or a rest .'
/** What may stand in a tune's field. */
const TUNE_FIELD_WORDS: Readonly<Record<TuneField, string>> = {
  chart: CHART,
  manner: MANNERS.join(', '),
  strings: 'string sets such as 5432,643',
  voices: 'how many strings sound, 2 or more',
  frets: 'the first and the last fret, such as 1-12',
  open: 'never or allow',
  leaving: 'shell, drop-root or drop-fifth',
  roots: 'string numbers such as 6,5',
  ways: 'stream, top, rising or falling',
  bass: 'free',
  weights: 'weights such as hand:0.1,top:0',
  loop: '0',
  hold: 'a chord’s number and its shape, such as 1:x5756x,3:x3545x',
  top: 'a chord’s number and its top tone as a MIDI number, such as 1:65',
  hand: STROKES,
  line: BASS_LINES.join(', '),
  tuning: 'a tuning such as E2,A2,D3,G3,B3,E4',
  way: 'a shape for each chord, or none, such as x5756x,none',
}
const FINGERS = 'a finger 1 to 4, T or x per string, low to high, such as x1324x'
const WISHES = 'close, drop 2, a string set such as 5432, 3rd bass, or no 5'

const TENSIONS_AT: Readonly<Record<string, string>> = {
  '5': 'b5 or #5',
  '9': 'b9, 9 or #9',
  '11': '11 or #11',
  '13': 'b13 or 13',
  '4': '#4 or 11',
  '6': 'b6 or 6',
  '7': '7 or maj7',
}

const stringsExpected = (strings: number): string =>
  `string numbers from ${strings} (lowest) to 1, each once, such as ${strings >= 5 ? '5432' : '4321'}`

const WORDS: { readonly [Code in Codes]: (error: Case<Code>) => Words } = {
  not_a_chord_number: ({ text }) => wants(text === '' ? 'no number' : `${text} is no number of a chord`, NUMBERS),
  not_a_suffix: ({ text }) =>
    wants(`${text} is no kind of chord`, 'what a symbol has after its note, such as m7b5, or nothing'),
  number_unspellable: ({ text }) => says(`${text} needs three accidentals in this key`, 'a key with fewer accidentals'),
  lane_string: ({ text, strings }) =>
    wants(text === '' ? 'no string' : `there is no string ${text}`, `string numbers from ${strings} (lowest) to 1`),
  lane_string_twice: ({ text }) => says(`string ${text} is used twice`, 'each string once'),
  lane_tone: ({ text }) => wants(`${text} is no tone of a lane`, 'R, 3, 5, 7, 9, 11 or 13, neighbours unlike'),
  lane_counts: ({ tones, strings }) =>
    says(`${tones} tones on ${strings} strings; a lane needs a string for each tone`, 'as many strings as tones'),
  lane_order_missing: ({ text, strings }) =>
    wants(`${text} has no usual order for ${strings} strings at this depth`, 'an order beside it, such as R735'),
  lane_root_missing: ({ text }) => wants(`${text} has no strings`, 'a string set such as 6432 beside it'),
  cannot_join: ({ text, choices }) =>
    wants(
      `${text} can’t join this chord`,
      choices.length === 0 ? 'nothing: it has every tone' : choices.map(withSigns).join(' '),
    ),
  not_in_a_chart: ({ text }) => wants(`${text} does not stand here`, CHART),
  number_without_key: ({ text }) => wants(`${text} is a number without a key`, 'a line such as key: Ab, or a chord'),
  bar_beats: ({ slots, beats }) =>
    says(
      `a bar with dots has ${slots} of ${beats} beats; expected a chord or a dot for each`,
      `${beats} chords or dots`,
    ),
  part_in_bar: ({ text }) => wants(`${text} stands in the middle of a bar`, 'a part at the head of its bar'),
  nothing_to_repeat: ({ text }) => wants(`${text} has nothing to repeat`, 'bars before it'),
  not_a_tempo: ({ text }) => wants(`${text} is no tempo`, 'beats per minute, 20 to 400'),
  chart_too_long: ({ most }) => says(`the tune goes on beyond ${most}; what follows is left out`, `at most ${most}`),
  not_in_a_tune: ({ text, field }) => wants(`${text} can’t be read here`, TUNE_FIELD_WORDS[field]),
  not_a_stroke: ({ text }) => wants(`${text} is no stroke`, STROKES),
  no_strokes: () => wants('nothing is struck', STROKES),
  not_in_a_key_line: ({ text }) => wants(`${text} says nothing here`, KEY_LINE),
  formula_too_long: () =>
    says('that is too long for a formula; at most 80 characters', 'a formula of at most 80 characters'),
  unknown_degree: ({ text }) => wants(`${text} is not a degree`, DEGREES),
  not_a_chord_degree: ({ text }) => wants(`${text} is not a degree that chords are told with`, DEGREES),
  named_twice: ({ text }) => says(`${text} is named twice; once is enough`, 'a tone that the chord does not have yet'),
  sounds_as: ({ text, twin }) =>
    says(
      `${text} sounds as ${twin}, which the chord already has; keep one of them`,
      'a tone that the chord does not have yet',
    ),
  no_root_degree: () =>
    says('a formula needs its root; put R first, and leave it out when you choose the shape', 'R among the degrees'),
  too_few_degrees: () => says('one tone is no chord yet; add a degree', 'two degrees or more'),
  thirds_count: () => says('a stack has one to six thirds, such as m3 m3 M3', 'one to six thirds'),
  not_a_third: ({ text }) => wants(`${text} is not a third`, 'm3 or M3'),
  off_the_scale: ({ step }) => says(`the stack leaves the usual degrees at its ${step}th`, 'm3 or M3'),
  symbol_too_long: () => wants('that is too long for a chord symbol', 'at most 48 characters'),
  no_symbol: () => wants('nothing to read', START),
  no_root_note: ({ text }) => wants(`${text} does not start with a note`, START),
  no_bass_note: ({ text }) => wants(`${text || 'nothing'} is not a bass note`, 'a note name after /'),
  not_in_a_symbol: ({ text }) => wants(`${text} is not part of a chord symbol here`, ITEM),
  after_symbol: ({ text }) =>
    wants(`${text} is not part of a chord symbol here`, 'the end of the symbol or a bass after /'),
  power_with_quality: () => wants('a power chord has no third to be major or minor', '5 straight after the root'),
  ambiguous_number: ({ text }) => {
    const both = text === '2' ? 'sus2 or add9' : 'sus4 or add11'
    return says(`${text} alone is read in two ways; write ${both}`, both)
  },
  bracket_unopened: () =>
    says(') closes a bracket that was not opened; write ( before it', 'an opening bracket before it'),
  bracket_unclosed: () => says('( is never closed; expected ) after the tensions', 'a closing bracket'),
  second_seventh: ({ text }) => says(`${text} would be a second seventh; keep one of them`, ITEM),
  unknown_addition: ({ text }) =>
    wants(`${text} adds nothing that has a name`, 'add9, add11, add13 or one of them altered'),
  unknown_omission: ({ text }) => wants(`${text} can't be left out by a symbol`, 'no3 or no5, once'),
  alt_twice: () => says('alt is named twice; once is enough', ITEM),
  alt_with_more: () =>
    says(
      'alt already alters the fifth and the ninth; write either alt or the alterations themselves',
      'alt alone after 7',
    ),
  not_a_tension: ({ text, number }) => wants(`${text} is not a tension`, TENSIONS_AT[number] ?? 'b9, #9, #11 or b13'),
  not_a_string: ({ text, strings }) => wants(`${text} is not another string of ${strings}`, stringsExpected(strings)),
  too_few_strings: ({ strings }) => wants('a shape needs two strings or more', stringsExpected(strings)),
  tuning_too_long: () => wants('that is too long for a tuning', 'at most ten strings'),
  not_a_pitch: ({ text }) => wants(`${text} is not a string's pitch`, 'a note with its octave, such as E2 or F#3'),
  open_out_of_range: ({ text }) =>
    wants(`${text} is outside what strings are made for`, 'an open string between A0 and C6'),
  strings_fall: ({ text }) =>
    wants(`${text} sounds below the string before it`, 'strings from the lowest to the highest'),
  string_count: ({ count }) => wants(`${count} strings can't be drawn on this neck`, '4 to 10 strings, lowest first'),
  not_an_arrangement: ({ text }) => wants(`${text} is no arrangement and no degree`, ARRANGEMENT),
  too_few_tones: () => wants('an arrangement has two tones or more', ARRANGEMENT),
  frets_too_long: () => wants('that is too long for a shape', FRETS),
  not_a_fret: ({ text }) => wants(`${text} is not a fret`, FRETS),
  fret_count: ({ count, strings }) => wants(`${count} strings where the tuning has ${strings}`, FRETS),
  all_silent: () => wants('no string sounds', FRETS),
  not_a_finger: ({ text }) => wants(`${text} is no finger`, FINGERS),
  finger_count: ({ count, strings }) => wants(`fingers for ${count} strings where the shape has ${strings}`, FINGERS),
  finger_idle: ({ text }) => wants(`finger ${text} presses nothing there`, 'fingers on pressed strings only'),
  not_a_key: ({ text }) => wants(`${text || 'nothing'} is not a key`, KEY),
  key_unspellable: ({ text }) => wants(`the notes of ${text} need three accidentals`, 'its enharmonic twin'),
  not_a_metre: ({ text }) => wants(`${text || 'nothing'} is not a metre`, 'a metre such as 4/4, 3/4 or 6/8'),
  not_a_number: ({ text, least, most }) =>
    wants(`${text || 'nothing'} is no such number`, `a whole number from ${least} to ${most}`),
  past_the_hand: ({ text, most }) =>
    wants(`fret ${text} is out of the hand's reach on this neck`, `frets up to ${most}`),
  not_one_of: ({ text, choices }) => wants(`${text || 'nothing'} is none of the choices`, choices.join(', ')),
  not_a_degree: ({ text }) => wants(`${text} is not a degree`, 'degrees such as R, b3, 5 or 9'),
  not_a_chord_tone: ({ text, formula, none }) =>
    wants(
      `${text || 'nothing'} is not in the chord`,
      none ? `tones of the chord (${formula.join(' ')}) or none` : `a tone of the chord: ${formula.join(' ')}`,
    ),
  line_too_long: ({ most }) => wants('that is too long to read', `at most ${most} characters`),
  nothing_typed: () => wants('nothing to read yet', 'a chord symbol such as Ebmaj7'),
  not_the_shape: ({ text }) =>
    wants(`${text}: the shape in hand is another chord`, 'one of its names, or ask "is it …?" for what would mend it'),
  not_a_material: ({ text }) => wants(`${text || 'nothing'} is nothing to practise`, MATERIAL),
  not_an_own_shape: ({ text }) => wants(`${text} is no shape of yours`, 'a chord and its frets, such as Am7=5x555x'),
  too_many_shapes: ({ most }) => wants('that is too much for one run', `at most ${most} shapes`),
  not_a_run_word: ({ text }) => wants(`${text} says nothing of a run`, RUN),
  run_string: ({ text, strings }) =>
    wants(`${text || 'nothing'} is no string here`, `strings 1 to ${strings}, such as on 5 and 6`),
  run_tempo: ({ text, slowest, fastest }) => wants(`${text} is no tempo`, `${slowest} to ${fastest} beats per minute`),
  nothing_to_run: () => wants('nothing to practise yet', RUN),
  one_string: ({ text }) => wants(`no chord is held on string ${text} alone`, 'the strings of a shape, such as 6432'),
  frets_missing: ({ text, strings, choices }) =>
    wants(`${text} has no fret for every one of the ${strings} strings`, choices.join(' or ')),
  not_a_shape_name: ({ text }) => wants(`${text} is no chord`, 'a symbol before its frets, such as Gdim=xx532x'),
  shape_wish_elsewhere: () =>
    wants('how a shape is held is asked in Build', 'a chord and where its tones lie, such as Edim7 fret 5'),
  shapes_elsewhere: () => says('these are several shapes', 'one chord; Build takes several to the tray'),
  not_a_wish: ({ text }) => wants(`${text} is not part of the line here`, WISHES),
}

export function wordsOf(error: ToldError): Words {
  const tell = WORDS[error.code as Codes] as (error: ToldError) => Words
  return tell(error)
}

export const messageOf = (error: ToldError): string => wordsOf(error).message

const UNITS = { frets: 'frets', mm: 'mm' } as const

/** What is wrong with an instrument's number. */
const MEASURE_WORDS: Readonly<Record<InstrumentMeasure, string>> = {
  frets: 'the number of frets',
  scaleLengthMm: 'the scale length',
  spacingNutMm: 'the room between strings at the nut',
  spacingBridgeMm: 'the room between strings at the bridge',
  lastReachableFret: 'the highest fret within reach',
  capo: 'the fret of the capo',
}

export function instrumentWords(problem: InstrumentProblem): Words {
  if (problem.code === 'capo_strings') {
    const expected = `some of the strings 1 to ${problem.strings}`
    return { message: `a partial capo holds ${expected}`, expected }
  }
  const { field, value, least, most, unit } = problem
  return wants(`${MEASURE_WORDS[field]} is ${value}`, `${least} to ${most} ${UNITS[unit]}`)
}
