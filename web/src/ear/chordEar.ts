/**
 * One bar after another heard as chords: when a shape is due it is expected; its last string is waited for, one window of
 * sound after it is judged string by string.
 *   expect(strings, at) ─feed(samples, now)→ heard, once a bar
 */
import { CHORD_AFTER_S, CHORD_WINDOW, chordVerdicts, type ExpectedString, type StringVerdict } from '@nestling/core/ear'
import { loudness } from './loudness.ts'
import { spectrumOf } from './spectrum.ts'

export interface ChordHeard {
  readonly verdicts: readonly StringVerdict[]
  /** The first string after the beat, early below 0; `undefined` when nothing was struck. */
  readonly lateMs: number | undefined
}

export interface ChordEar {
  /** @param at When it is due, in seconds. @param until Afterwards nothing of it is waited for. */
  readonly expect: (strings: readonly ExpectedString[], at: number, until: number) => void
  /** @param window `CHORD_WINDOW` samples, the newest last. @param now The time of the newest, in seconds. */
  readonly feed: (window: Float32Array, now: number) => ChordHeard | undefined
}

/** Newest samples that tell how loud it is now, and how much louder a struck string makes it. */
const RECENT = 384
const RISE = 1.35
const QUIET = 0.006
/** Hands are early as well as late. */
const EARLY_S = 0.15
/** Strings of one chord follow one another within this; what comes later is another stroke. */
const STRUM_S = 0.25

export function createChordEar(sampleRate: number): ChordEar {
  let due: { strings: readonly ExpectedString[]; at: number; until: number } | undefined
  let onsets: number[] = []
  let before: number[] = []

  const listenFor = (window: Float32Array, now: number) => {
    const loud = loudness(window, window.length - RECENT)
    const least = Math.min(...before, loud)
    before = [...before, loud].slice(-4)
    if (loud > QUIET && loud > RISE * Math.max(least, QUIET / 2)) {
      onsets = [...onsets.filter((at) => now - at < 2), now]
      before = [loud]
    }
  }
  const ofBar = (at: number) => {
    const mine = onsets.filter((onset) => onset >= at - EARLY_S)
    const [first] = mine
    return first === undefined ? undefined : { first, last: mine.findLast((onset) => onset - first < STRUM_S) ?? first }
  }

  return {
    expect(strings, at, until) {
      due = { strings, at, until }
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
        return { verdicts, lateMs: undefined }
      }
      // The whole window lies behind the last string.
      if (now < struck.last + CHORD_AFTER_S + CHORD_WINDOW / sampleRate) return undefined
      due = undefined
      onsets = []
      return {
        verdicts: chordVerdicts(spectrumOf(window, sampleRate), strings),
        lateMs: Math.round((struck.first - at) * 1000),
      }
    },
  }
}
