/**
 * The ear for chords: a shape that is expected, checked string by string in one spectrum.
 *   Spectrum + ExpectedString[] ─chordVerdicts→ for every string: rang, missing, a fret off, rings, still, or can't be told
 * Every string is asked for at its *free* partials, those that no other expected string has; where fewer than two are
 * free (an octave, a unison), nothing is said. Method and first numbers: tried on rendered chords; the rates are printed by
 * the bench.
 */
import type { StringIndex } from '../neck/index.ts'
import type { Midi } from '../pitch/index.ts'

/** How loud each frequency is. */
export interface Spectrum {
  /** Decibels, from 0 Hz upwards. */
  readonly db: Float32Array
  readonly hzPerBin: number
}

export interface ExpectedString {
  readonly string: StringIndex
  /** What it should sound; `null` where it should be silent. */
  readonly midi: Midi | null
  readonly openMidi: Midi
}

export type StringVerdict =
  | { readonly kind: 'rang' }
  /** Not heard, or so dull that it makes no difference. */
  | { readonly kind: 'missing' }
  /** A fret too low or too high. */
  | { readonly kind: 'off'; readonly by: -1 | 1 }
  /** It should be silent and rings. */
  | { readonly kind: 'rings' }
  | { readonly kind: 'still' }
  /** Its partials are those of others: an octave, a unison. */
  | { readonly kind: 'unclear' }

/** How finely a window tells tones apart, and so which partials are listened to. */
export interface Hearing {
  /** Samples, at 44,100 or 48,000 a second. */
  readonly window: number
  /** The window begins so long after the last string, in seconds. */
  readonly afterS: number
  /** A partial is free when no other's is nearer than this, in Hz. */
  readonly freeHz: number
  /** The highest partial that is looked for, and how many free ones count. */
  readonly mostPartial: number
  readonly mostFree: number
  /** A neighbouring fret must stand out by so many dB more than the string's own tone. */
  readonly beatenDb: number
}

/** The last word: so long a window shows two low tones a semitone apart, once the attack is over. */
export const LAST_WORD: Hearing = {
  window: 16_384,
  afterS: 0.04,
  freeHz: 7.5,
  mostPartial: 14,
  mostFree: 6,
  beatenDb: 5,
}
/** The first word, 150 ms after the last string: half the window, the higher partials, which lie further apart. */
export const FIRST_WORD: Hearing = {
  window: 8192,
  afterS: -0.036,
  freeHz: 18,
  mostPartial: 24,
  mostFree: 8,
  beatenDb: 6,
}

const A4 = 440
const hzOf = (midi: number): number => A4 * 2 ** ((midi - 69) / 12)

const HIGHEST_HZ = 5200
/** Fewer free partials say nothing. */
const LEAST_FREE = 2
/** Further up, strings out of tune wander by a share of their pitch. */
const FREE_SHARE = 0.02
/** A string may be so far out of tune. */
const TUNED_CENTS = 28
const MOST_DB = 30
const SOUNDS_DB = 13
const OFF_DB = 16
const RINGS_DB = 16

/** So many of the free partials, the strongest, are listened to. */
const BEST_SHARE = 0.67
const meanOf = (numbers: readonly number[]): number => numbers.reduce((sum, one) => sum + one, 0) / numbers.length

interface Asked {
  /** Mean prominence of its best free partials, 0 to 30 dB: the weakest are often lost in noise. */
  readonly db: number
  /** The same of all of them. */
  readonly mean: number
  readonly free: number
}

/** @returns One verdict for each expected string, in their order. */
export function chordVerdicts(
  spectrum: Spectrum,
  expected: readonly ExpectedString[],
  hearing: Hearing = LAST_WORD,
): readonly StringVerdict[] {
  const sounding = expected.map(({ midi }) => midi)
  const settled = new Map<number, StringVerdict>()
  // The plainest fault is put in place before the others are asked for: what it sounds would be laid to them as well.
  for (;;) {
    const all = expected.map(
      (one, index) => settled.get(index) ?? judged(spectrum, one, othersThan(index, sounding), hearing),
    )
    const faults = all.flatMap((verdict, index) =>
      settled.has(index) || !isFault(verdict) ? [] : [{ index, verdict, pitch: pitchOf(verdict, expected[index]) }],
    )
    const plainest = faults.toSorted((a, b) => b.verdict.sure - a.verdict.sure || (a.pitch ?? 0) - (b.pitch ?? 0))[0]
    if (!plainest) return all.map(told)
    settled.set(plainest.index, plainest.verdict)
    sounding[plainest.index] = plainest.pitch
  }
}

/** A verdict on the way; a fault with how plain it is, in whole steps of dB so that alike is alike. */
type Fault = StringVerdict & { readonly sure: number }
type Judged = StringVerdict | Fault
const isFault = (verdict: Judged): verdict is Fault => 'sure' in verdict

const told = (verdict: Judged): StringVerdict =>
  verdict.kind === 'off' ? { kind: verdict.kind, by: verdict.by } : { kind: verdict.kind }

const othersThan = (index: number, sounding: readonly (Midi | null)[]): readonly Midi[] =>
  sounding.flatMap((midi, at) => (at === index || midi === null ? [] : [midi]))

/** What a string with this verdict sounds. */
function pitchOf(verdict: StringVerdict, one: ExpectedString | undefined): Midi | null {
  if (!one) return null
  switch (verdict.kind) {
    case 'off':
      return one.midi === null ? null : one.midi + verdict.by
    case 'rings':
      return one.openMidi
    case 'missing':
      return null
    default:
      return one.midi
  }
}

function judged(
  spectrum: Spectrum,
  { midi, openMidi }: ExpectedString,
  others: readonly Midi[],
  hearing: Hearing,
): Judged {
  if (midi === null) {
    const open = evidence(spectrum, openMidi, others, hearing)
    if (open.free < LEAST_FREE) return { kind: 'unclear' }
    // All of its partials: another silent string may share some of them, and would be blamed for what this one does.
    return open.mean > RINGS_DB ? { kind: 'rings', sure: 0 } : { kind: 'still' }
  }
  const own = evidence(spectrum, midi, others, hearing)
  const low = evidence(spectrum, midi - 1, others, hearing)
  const high = evidence(spectrum, midi + 1, others, hearing)
  const beside = high.db > low.db ? { ...high, by: 1 as const } : { ...low, by: -1 as const }
  if (beside.free >= LEAST_FREE && beside.db > OFF_DB && beside.db > own.db + hearing.beatenDb)
    return { kind: 'off', by: beside.by, sure: steps(beside.db - own.db) - (own.free < LEAST_FREE ? UNHEARD : 0) }
  if (own.free < LEAST_FREE) return { kind: 'unclear' }
  return own.db > SOUNDS_DB ? { kind: 'rang' } : { kind: 'missing', sure: -UNHEARD }
}

const steps = (db: number): number => Math.round(db / 4)
/** A fault of a string whose own tone can't be heard apart is believed last. */
const UNHEARD = 100

/** Whether a fault of a string could be heard at all beside the others. */
export function canTell(
  expected: readonly ExpectedString[],
  index: number,
  fault: 'missing' | 'rings' | -1 | 1,
): boolean {
  const one = expected[index]
  if (!one) return false
  const others = expected.flatMap(({ midi }, at) => (at === index || midi === null ? [] : [midi]))
  if (fault === 'rings') return one.midi === null && freePartials(one.openMidi, others, LAST_WORD).length >= LEAST_FREE
  if (one.midi === null) return false
  return freePartials(fault === 'missing' ? one.midi : one.midi + fault, others, LAST_WORD).length >= LEAST_FREE
}

function evidence(spectrum: Spectrum, midi: number, others: readonly number[], hearing: Hearing): Asked {
  const free = freePartials(midi, others, hearing)
  if (free.length === 0) return { db: 0, mean: 0, free: 0 }
  const all = free.map((hz) => prominence(spectrum, hz)).sort((a, b) => b - a)
  const best = all.slice(0, Math.ceil(all.length * BEST_SHARE))
  return { db: meanOf(best), mean: meanOf(all), free: free.length }
}

function freePartials(
  midi: number,
  others: readonly number[],
  { mostPartial, mostFree, freeHz }: Hearing,
): readonly number[] {
  const own = hzOf(midi)
  const free: number[] = []
  for (let partial = 1; partial <= mostPartial && free.length < mostFree; partial++) {
    const hz = own * partial
    if (hz > HIGHEST_HZ) break
    const apart = Math.max(freeHz, hz * FREE_SHARE)
    if (others.every((other) => distance(hz, hzOf(other)) >= apart)) free.push(hz)
  }
  return free
}

/** From the nearest partial of a tone, in Hz. */
const distance = (hz: number, fundamental: number): number => {
  const partial = Math.max(1, Math.round(hz / fundamental))
  return Math.abs(hz - partial * fundamental)
}

/** How far a partial stands out of what lies around it, in dB. */
function prominence({ db, hzPerBin }: Spectrum, hz: number): number {
  const off = hz * (2 ** (TUNED_CENTS / 1200) - 1)
  const half = Math.max(1, off / hzPerBin)
  const centre = hz / hzPerBin
  let peak = Number.NEGATIVE_INFINITY
  for (let bin = Math.ceil(centre - half); bin <= Math.floor(centre + half); bin++)
    peak = Math.max(peak, db[bin] ?? -200)
  const around: number[] = []
  const wide = Math.max(6, (hz * 0.03) / hzPerBin)
  for (let bin = Math.floor(centre - half - wide); bin <= Math.ceil(centre + half + wide); bin++)
    if (bin > 0 && Math.abs(bin - centre) > half + 1.5) around.push(db[bin] ?? -200)
  around.sort((a, b) => a - b)
  const floor = around[Math.floor(around.length / 2)] ?? peak
  return Math.min(MOST_DB, Math.max(0, peak - floor))
}
