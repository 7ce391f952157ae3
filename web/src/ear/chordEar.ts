/**
 * One bar after another heard as chords: when a shape is due it is expected, and its last string is waited for. 150 ms after
 * it there is a first word on every string, and the last word once a whole window of sound lies behind it.
 *   expect(strings, at) ─feed(samples, now)→ the first word ─feed→ the last word, once a bar each
 */
import {
  chordVerdicts,
  type ExpectedString,
  FIRST_WORD,
  type Hearing,
  LAST_WORD,
  type StringVerdict,
} from '@nestling/core/ear'
import { brightness, loudness } from './loudness.ts'
import { spectrumOf } from './spectrum.ts'

export interface ChordHeard {
  /** The first word may be wrong about what a longer look tells. */
  readonly isLast: boolean
  readonly verdicts: readonly StringVerdict[]
  /** The first string after the beat, early below 0; `undefined` when nothing was struck. */
  readonly lateMs: number | undefined
}

export interface ChordEar {
  /** @param at When it is due, in seconds. @param until Afterwards nothing of it is waited for. */
  readonly expect: (strings: readonly ExpectedString[], at: number, until: number) => void
  /** @param window As many samples as the last word needs, the newest last. @param now The time of the newest, in seconds. */
  readonly feed: (window: Float32Array, now: number) => ChordHeard | undefined
}

/** Newest samples that tell how bright it is now: two turns of a low string, so that strings that beat together are no stroke; and how much brighter a struck one makes it. */
const RECENT = 882
const RISE = 1.25
const QUIET = 0.006
const SAME_S = 0.015
/** Hands are early as well as late. */
const EARLY_S = 0.15
/** Strings of one chord follow one another within this; what comes later is another stroke. */
const STRUM_S = 0.25

export function createChordEar(sampleRate: number): ChordEar {
  // The first transform of a page is the slowest: it is over before anything is played.
  for (const { window } of [FIRST_WORD, LAST_WORD]) spectrumOf(new Float32Array(window), sampleRate)
  let due: { strings: readonly ExpectedString[]; at: number; until: number } | undefined
  let onsets: number[] = []
  let hasFirst = false
  let before: number[] = []
  let seenAt = Number.NEGATIVE_INFINITY

  const listenFor = (window: Float32Array, now: number) => {
    const loud = loudness(window, window.length - RECENT)
    const struck = brightness(window, window.length - RECENT)
    const least = Math.min(...before, struck)
    before = [...before, struck].slice(-4)
    // The next look at the same touch sees more of it.
    if (loud <= QUIET || struck <= RISE * Math.max(least, QUIET / 20) || now - seenAt < SAME_S) return
    seenAt = now
    before = [struck]
    onsets = [...onsets.filter((at) => now - at < 2), now - RECENT / 2 / sampleRate]
  }
  const ofBar = (at: number) => {
    const mine = onsets.filter((onset) => onset >= at - EARLY_S)
    const [first] = mine
    return first === undefined ? undefined : { first, last: mine.findLast((onset) => onset - first < STRUM_S) ?? first }
  }

  return {
    expect(strings, at, until) {
      due = { strings, at, until }
      hasFirst = false
    },
    feed(window, now) {
      listenFor(window, now)
      if (!due) return undefined
      const { strings, at, until } = due
      const struck = ofBar(at)
      if (!struck) {
        if (now < until) return undefined
        due = undefined
        const verdicts = strings.map(({ midi }): StringVerdict => ({ kind: midi === null ? 'still' : 'missing' }))
        return { verdicts, lateMs: undefined, isLast: true }
      }
      const lateMs = Math.round((struck.first - at) * 1000)
      const verdicts = (hearing: Hearing) =>
        chordVerdicts(spectrumOf(window.subarray(window.length - hearing.window), sampleRate), strings, hearing)
      const isIn = ({ afterS, window: samples }: Hearing) => now >= struck.last + afterS + samples / sampleRate
      if (isIn(LAST_WORD)) {
        due = undefined
        onsets = []
        return { verdicts: verdicts(LAST_WORD), lateMs, isLast: true }
      }
      // A string that follows while the strum goes on has a first word of its own.
      if (hasFirst || !isIn(FIRST_WORD)) return undefined
      hasFirst = true
      return { verdicts: verdicts(FIRST_WORD), lateMs, isLast: false }
    },
  }
}
