/**
 * The right hand: a pattern as a line of strokes.
 *   `1/8 p i m a`   note values stand before the strokes that they are for; without one, eighths
 *   `p i m a`       thumb and fingers: the lowest string, and the three highest
 *   `(ima)`         together; `*` all strings at once
 *   `↓ ↑`           across all strings, towards the high ones and back; `d u` on a keyboard
 *   `b c`           the bass string, the others together
 *   `.`             a rest: what was struck rings on
 */
import { fail, ok, piece, type Result, requireAt, type TextErrorOf } from '../result/index.ts'
import type { StringEvent, StringNote } from './score.ts'

export const PLUCKS = ['p', 'i', 'm', 'a'] as const
export type Pluck = (typeof PLUCKS)[number]

export type Stroke =
  | { readonly kind: 'fingers'; readonly fingers: readonly Pluck[] }
  | { readonly kind: 'across'; readonly towards: 'high' | 'low' }
  | { readonly kind: 'all' | 'bass' | 'chord' | 'rest' }

export interface TimedStroke {
  readonly stroke: Stroke
  /** Beats (quarter notes). */
  readonly beats: number
}
export type Pattern = readonly TimedStroke[]

export type PatternError = TextErrorOf<{ not_a_stroke: object; no_strokes: object }>

/** Plain patterns that players use, by name; every one as its own text. */
export const STROKE_PATTERNS = {
  strum: '1/1 ↓',
  together: '1/1 *',
  quarters: '1/4 ↓ ↓ ↓ ↓',
  'bass-and-chord': '1/4 b c b c',
  'off-beats': '1/8 . ↓ . ↓ . ↓ . ↓',
  bossa: '1/8 * . c . b c . c',
  waltz: '1/4 b c c',
  ballad: '1/8 p i m a m i m i',
} as const satisfies Readonly<Record<string, string>>
export type PatternName = keyof typeof STROKE_PATTERNS

const WHOLE_BEATS = 4
const MOST_STROKES = 64
const LAST_VALUE = 64

const PLAIN: Readonly<Record<string, Stroke>> = {
  '*': { kind: 'all' },
  b: { kind: 'bass' },
  c: { kind: 'chord' },
  '.': { kind: 'rest' },
  '↓': { kind: 'across', towards: 'high' },
  d: { kind: 'across', towards: 'high' },
  '↑': { kind: 'across', towards: 'low' },
  u: { kind: 'across', towards: 'low' },
}
const isPluck = (text: string): text is Pluck => (PLUCKS as readonly string[]).includes(text)

export function readPattern(text: string): Result<Pattern, PatternError> {
  const strokes: TimedStroke[] = []
  let beats = 0.5
  for (const { 0: word, index: at } of text.matchAll(/\S+/g)) {
    const value = /^1\/(\d{1,2})(t?)$/.exec(word)
    if (value) {
      const of = Number(value[1])
      if (of < 1 || of > LAST_VALUE) return fail({ code: 'not_a_stroke', at, text: piece(word) })
      beats = (WHOLE_BEATS / of) * (value[2] ? 2 / 3 : 1)
      continue
    }
    const stroke = readStroke(word)
    if (!stroke || strokes.length === MOST_STROKES) return fail({ code: 'not_a_stroke', at, text: piece(word) })
    strokes.push({ stroke, beats })
  }
  if (strokes.every(({ stroke }) => stroke.kind === 'rest'))
    return fail({ code: 'no_strokes', at: 0, text: piece(text) })
  return ok(strokes)
}

function readStroke(word: string): Stroke | undefined {
  const plain = PLAIN[word]
  if (plain) return plain
  const fingers = [...(/^\(([pima]{1,4})\)$/.exec(word)?.[1] ?? word)]
  return fingers.every(isPluck) &&
    new Set(fingers).size === fingers.length &&
    (fingers.length === 1 || word.startsWith('('))
    ? { kind: 'fingers', fingers: fingers as readonly Pluck[] }
    : undefined
}

/** As `readPattern` reads it back; a value stands where it changes. */
export function writePattern(pattern: Pattern): string {
  let now: string | undefined
  return pattern
    .flatMap(({ stroke, beats }) => {
      const value = valueText(beats)
      const changed = value === now ? [] : [value]
      now = value
      return [...changed, writeStroke(stroke)]
    })
    .join(' ')
}

function valueText(beats: number): string {
  const of = WHOLE_BEATS / beats
  return isTriplet(of) ? `1/${Math.round((of * 2) / 3)}t` : `1/${Math.round(of)}`
}
/** Twelfths and sixths are told as triplets of eighths and quarters. */
const isTriplet = (of: number): boolean => Math.round(of) % 3 === 0

export function writeStroke(stroke: Stroke): string {
  switch (stroke.kind) {
    case 'fingers':
      return stroke.fingers.length > 1 ? `(${stroke.fingers.join('')})` : requireAt(stroke.fingers, 0)
    case 'across':
      return stroke.towards === 'high' ? '↓' : '↑'
    case 'all':
      return '*'
    case 'bass':
      return 'b'
    case 'chord':
      return 'c'
    case 'rest':
      return '.'
  }
}

export const beatsOf = (pattern: Pattern): number => pattern.reduce((sum, { beats }) => sum + beats, 0)

/** A string note under the thumb or a finger: the thumb the lowest, i m a the highest three; with fewer strings i comes first. */
function noteUnder<Note>(finger: Pluck, notes: readonly Note[]): Note | undefined {
  if (finger === 'p') return notes[0]
  const upper = notes.length > 1 ? notes.slice(1) : notes
  const place = { i: 0, m: 1, a: 2 }[finger]
  return upper[Math.min(upper.length - 1, Math.max(0, upper.length - 3) + place)]
}

/** The notes that a stroke strikes, in the order in which it does. */
export function struckBy<Note>(stroke: Stroke, notes: readonly Note[]): readonly Note[] {
  switch (stroke.kind) {
    case 'fingers':
      return [...new Set(stroke.fingers.flatMap((finger) => noteUnder(finger, notes) ?? []))]
    case 'across':
      return stroke.towards === 'high' ? notes : notes.toReversed()
    case 'all':
      return notes
    case 'bass':
      return notes.slice(0, 1)
    case 'chord':
      return notes.length > 1 ? notes.slice(1) : notes
    case 'rest':
      return []
  }
}

/** From string to string of a stroke across them, in beats. */
const ACROSS_BEATS = 0.035

export interface PatternSpan {
  /** Beats from the start of the music. */
  readonly at: number
  /** How long the shape sounds. */
  readonly beats: number
  /** Where in the pattern it begins: beats since the bar. */
  readonly since: number
  readonly mark: number
}

/** A shape under a pattern: struck where the pattern strikes, each note held until its string is struck anew or the shape ends. */
export function patternEvents(
  pattern: Pattern,
  notes: readonly StringNote[],
  { at, beats, since, mark }: PatternSpan,
): readonly StringEvent[] {
  const whole = beatsOf(pattern)
  const end = at + beats
  const events: StringEvent[] = []
  let place = at - (since % whole)
  while (place < end - 1e-9) {
    for (const { stroke, beats: each } of pattern) {
      // A stroke that began before the shape is not struck again on it.
      if (place > at - 1e-9 && place < end - 1e-9)
        for (const [index, note] of struckBy(stroke, notes).entries()) {
          const late = stroke.kind === 'across' ? index * ACROSS_BEATS : 0
          const isFirst = Math.abs(place - at) < 1e-9
          events.push({
            ...note,
            part: 'strings',
            at: place + late,
            ...(late > 0 ? { struckAt: place } : {}),
            length: end - place - late,
            loud: isFirst ? 0.9 : 0.75,
            mark,
          })
        }
      place += each
    }
  }
  // A pattern that runs on with the bar may have no stroke on a short chord: then it begins with the chord.
  if (events.length === 0 && since > 0) return patternEvents(pattern, notes, { at, beats, since: 0, mark })
  return heldUntilStruck(events)
}

function heldUntilStruck(events: readonly StringEvent[]): readonly StringEvent[] {
  return events.map((event, index) => {
    const next = events.slice(index + 1).find(({ string, at }) => string === event.string && at > event.at)
    return next ? { ...event, length: Math.min(event.length ?? 0, next.at - event.at) } : event
  })
}
