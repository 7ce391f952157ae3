/**
 * From notes in time to what is written: bars of notes, chords and rests with their values.
 *   Score ─writtenBars→ WrittenBar[] ─(engraving)→ staff and TAB;  ─playedAgain→ the same onsets and lengths
 * A beat is cut into twelve ticks, so that sixteenths (3) and triplets (4) both fall on whole ones.
 */
import { beatsInBar, type Metre } from './metre.ts'
import { type Score, type StringEvent, type StringNote, stringEvents } from './score.ts'

export type WrittenValue = 'whole' | 'half' | 'quarter' | 'eighth' | 'sixteenth'

export interface WrittenEvent {
  /** Beats from the start of the music; the count-in is not written. */
  readonly at: number
  /** Beats that it takes. */
  readonly length: number
  readonly value: WrittenValue
  readonly dotted: boolean
  /** One of three in the time of two. */
  readonly triplet: boolean
  /** Low to high; empty for a rest. */
  readonly notes: readonly StringNote[]
  readonly accent: boolean
  /** Held on into the next event. */
  readonly tied: boolean
  /** The mark of the event that it writes. */
  readonly mark: number | undefined
}

export interface WrittenBar {
  readonly at: number
  readonly metre: Metre
  readonly events: readonly WrittenEvent[]
}

const TICKS = 12
const tick = (beats: number): number => Math.round(beats * TICKS)

/** What one sign can say, longest first. */
const PLAIN: readonly { readonly ticks: number; readonly value: WrittenValue; readonly dotted: boolean }[] = [
  { ticks: 48, value: 'whole', dotted: false },
  { ticks: 36, value: 'half', dotted: true },
  { ticks: 24, value: 'half', dotted: false },
  { ticks: 18, value: 'quarter', dotted: true },
  { ticks: 12, value: 'quarter', dotted: false },
  { ticks: 9, value: 'eighth', dotted: true },
  { ticks: 6, value: 'eighth', dotted: false },
  { ticks: 3, value: 'sixteenth', dotted: false },
]
const TRIPLET: typeof PLAIN = [
  { ticks: 8, value: 'quarter', dotted: false },
  { ticks: 4, value: 'eighth', dotted: false },
]

/** A stretch of time in which the same notes sound, or none. */
interface Stretch {
  readonly from: number
  readonly to: number
  readonly events: readonly StringEvent[]
}

/** Notes that begin together, each until it is damped or the next begins; the silence between them. */
function stretchesOf(score: Score): readonly Stretch[] {
  const end = tick(score.beats - score.countIn)
  const onsets = new Map<number, StringEvent[]>()
  for (const event of stringEvents(score)) {
    const at = tick(event.at - score.countIn)
    const there = onsets.get(at)
    if (there) there.push(event)
    else onsets.set(at, [event])
  }
  const starts = [...onsets].filter(([at]) => at >= 0 && at < end).sort(([a], [b]) => a - b)
  const stretches: Stretch[] = []
  let now = 0
  for (const [index, [from, events]] of starts.entries()) {
    if (from > now) stretches.push({ from: now, to: from, events: [] })
    const next = starts[index + 1]?.[0] ?? end
    const longest = Math.max(...events.map(({ length }) => (length === undefined ? next - from : tick(length))))
    const to = Math.max(from + 1, Math.min(next, from + longest))
    stretches.push({ from, to, events: events.toSorted((a, b) => a.midi - b.midi) })
    now = to
  }
  if (now < end) stretches.push({ from: now, to: end, events: [] })
  return stretches
}

/** Beats in which something falls on a third of the beat. */
function tripletBeats(stretches: readonly Stretch[]): ReadonlySet<number> {
  const beats = new Set<number>()
  for (const { from, to } of stretches)
    for (const at of [from, to]) if (at % TICKS === 4 || at % TICKS === 8) beats.add(Math.floor(at / TICKS))
  return beats
}

/** The longest sign that may begin here: within the bar, within the beat when it begins off the beat. */
function signAt(at: number, to: number, bar: number, triplets: ReadonlySet<number>) {
  const beat = Math.floor(at / TICKS)
  const offBeat = at % TICKS !== 0
  const endOfBeat = (beat + 1) * TICKS
  const barEnd = (Math.floor(at / bar) + 1) * bar
  let most = Math.min(to, barEnd) - at
  if (triplets.has(beat) && (offBeat || most < TICKS)) {
    most = Math.min(most, endOfBeat - at)
    const sign = TRIPLET.find(({ ticks }) => ticks <= most)
    return sign && { ...sign, triplet: true }
  }
  if (offBeat) most = Math.min(most, endOfBeat - at)
  else
    for (let next = beat + 1; next * TICKS < at + most; next++)
      if (triplets.has(next)) {
        most = next * TICKS - at
        break
      }
  const sign = PLAIN.find(({ ticks }) => ticks <= most)
  return sign && { ...sign, triplet: false }
}

/** Bars that are written for the plucked strings of a score; the last is filled with rests. */
export function writtenBars(score: Score): readonly WrittenBar[] {
  const bar = tick(beatsInBar(score.metre))
  const stretches = stretchesOf(score)
  const triplets = tripletBeats(stretches)
  const count = Math.ceil(tick(score.beats - score.countIn) / bar)
  const bars: WrittenEvent[][] = Array.from({ length: count }, () => [])
  for (const { from, to, events } of stretches) {
    for (let at = from; at < to; ) {
      const sign = signAt(at, to, bar, triplets)
      // What is shorter than any sign is taken into the sign before it.
      if (!sign) break
      const [first] = events
      bars[Math.floor(at / bar)]?.push({
        at: at / TICKS,
        length: sign.ticks / TICKS,
        value: sign.value,
        dotted: sign.dotted,
        triplet: sign.triplet,
        notes: events.map(({ midi, pitch, string, fret, finger }) => ({ midi, pitch, string, fret, finger })),
        accent: at === from && events.some(({ accent }) => accent === true),
        tied: events.length > 0 && at + sign.ticks < to,
        mark: first?.mark,
      })
      at += sign.ticks
    }
  }
  return bars.map((events, index) => ({ at: (index * bar) / TICKS, metre: score.metre, events }))
}

/** What a player who reads the bars plays: onsets and lengths in beats, ties joined. */
export function playedAgain(
  bars: readonly WrittenBar[],
): readonly { readonly at: number; readonly length: number; readonly notes: readonly StringNote[] }[] {
  const played: { at: number; length: number; notes: readonly StringNote[] }[] = []
  let held = false
  for (const { at, length, notes, tied } of bars.flatMap(({ events }) => events)) {
    const last = played.at(-1)
    if (held && last) last.length += length
    else if (notes.length > 0) played.push({ at, length, notes })
    held = tied
  }
  return played
}
