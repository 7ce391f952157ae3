/**
 * Hears notes in a stream of samples: a note begins where the sound rises, or where a steady pitch becomes another; its
 * pitch is measured once the attack is over.
 * Source of the pitch: the McLeod method, by a package; clarity is 1 for a pure tone, near 0 for noise.
 */
import type { HeardNote } from '@nestling/core/ear'
import { PitchDetector } from 'pitchy'
import type { Overheard } from '../words/ear.ts'
import { brightness, loudness } from './loudness.ts'

/** Samples in a window: three turns of the lowest string of a seven-string guitar. */
export const WINDOW = 2048

/** Below this loudness (root mean square, full scale 1) is silence, where nothing is known of the room. */
const QUIET = 0.006
/** So many times as loud as the room is a note; within these bounds. */
const OVER_ROOM = 3
const QUIETEST = 0.0006
const LOUDEST_ROOM = 0.03
const CLEAR = 0.9
const UNCLEAR = 0.8
/** Of a note, at least so much of the window must be filled before its pitch is read. */
const SETTLED_S = 0.042
const GIVE_UP_S = 0.16
/** Newest samples that tell how loud it is now. */
const RECENT = 384
const RISE = 1.3
const LEAST_APART_S = 0.05
/** Windows in a row that must agree before a pitch without an attack counts as a new note. */
const STEADY_WINDOWS = 4

export interface Listener {
  /**
   * @param window `WINDOW` samples, the newest last.
   * @param endS   The time of the newest sample, in seconds.
   */
  readonly feed: (window: Float32Array, endS: number) => HeardNote | undefined
  /** What stands in the room before anything is played: silence is measured by it. Clicks of a count-in may be among it. */
  readonly hearRoom: (window: Float32Array) => void
  readonly overheard: () => Overheard
}

export function createListener(sampleRate: number): Listener {
  const detector = PitchDetector.forFloat32Array(WINDOW)
  let brightBefore: number[] = []
  let onset: number | undefined
  let current: number | undefined
  let lastAt = Number.NEGATIVE_INFINITY
  let steady = { midi: 0, windows: 0, since: 0 }
  let heard = { loud: 0, unclear: 0, windows: 0 }

  const emit = (at: number, hz: number): HeardNote => {
    const exact = 69 + 12 * Math.log2(hz / 440)
    const midi = Math.round(exact)
    current = midi
    lastAt = at
    return { at, midi, cents: Math.round((exact - midi) * 100) }
  }

  let room: number[] = []
  let quiet = QUIET
  return {
    overheard: () => heard,
    hearRoom(window) {
      room = [...room, loudness(window, WINDOW - RECENT)].slice(-400)
      // Most of a count-in is between its clicks.
      const floor = room.toSorted((a, b) => a - b)[Math.floor(room.length * 0.3)] ?? QUIET
      quiet = Math.min(LOUDEST_ROOM, Math.max(QUIETEST, OVER_ROOM * floor))
    },
    feed(window, endS) {
      const loud = loudness(window, WINDOW - RECENT) > quiet
      // A string that is touched is bright, also while the one before still rings as loud.
      const now = brightness(window, WINDOW - RECENT)
      const least = Math.min(...brightBefore, now)
      brightBefore = [...brightBefore, now].slice(-4)
      const [hz, clarity] = loud ? detector.findPitch(window, sampleRate) : [0, 0]
      const clear = clarity > CLEAR && hz > 25 && hz < 2500
      heard = {
        windows: heard.windows + 1,
        loud: heard.loud + (loud ? 1 : 0),
        unclear: heard.unclear + (loud && clarity < UNCLEAR ? 1 : 0),
      }
      if (!loud) {
        current = undefined
        onset = undefined
        steady = { midi: 0, windows: 0, since: 0 }
        return undefined
      }
      if (onset === undefined && now > RISE * Math.max(least, quiet / 20) && endS - lastAt > LEAST_APART_S) {
        onset = riseIn(window, sampleRate, endS, WINDOW - 3 * RECENT)
        brightBefore = [now]
      }
      if (onset !== undefined) {
        if (endS - onset > GIVE_UP_S) onset = undefined
        else if (clear && endS - onset >= SETTLED_S) {
          const at = onset
          onset = undefined
          steady = { midi: 0, windows: 0, since: 0 }
          return emit(at, hz)
        }
        return undefined
      }
      if (!clear) return undefined
      const midi = Math.round(69 + 12 * Math.log2(hz / 440))
      steady =
        midi === steady.midi
          ? { ...steady, windows: steady.windows + 1 }
          : { midi, windows: 1, since: riseIn(window, sampleRate, endS, RISE_STEP) }
      // A pitch that came without a rise: a slur, or a pluck into a string that still rang loudly.
      if (midi !== current && steady.windows >= STEADY_WINDOWS && endS - lastAt > 2 * LEAST_APART_S)
        return emit(steady.since, hz)
      return undefined
    },
  }
}

const RISE_STEP = 64
/** Of one step to the next; the breath of a steady tone is less. */
const LEAST_RISE = 2

/** The time from a sample of the window on at which the sound rises most. */
function riseIn(window: Float32Array, sampleRate: number, endS: number, from: number): number {
  const step = RISE_STEP
  // Where nothing in it rises, what is new began before it.
  let best = { ratio: LEAST_RISE, at: from === RISE_STEP ? 0 : window.length }
  for (let at = from; at + step <= window.length; at += step) {
    const after = brightness(window.subarray(at, at + step), 1)
    const before = brightness(window.subarray(at - step, at), 1)
    const ratio = (after + 1e-5) / (before + 1e-4)
    if (ratio > best.ratio) best = { ratio, at }
  }
  return endS - (window.length - best.at) / sampleRate
}
