/** Listening to a run: the microphone or the simulated player, through the transport's own sound, a verdict a bar. */
import { type ExpectedString, type HeardNote, type Judgement, judge } from '@nestling/core/ear'
import { soundEngine } from '../sound/transport.ts'
import { type ChordHeard, createChordEar } from './chordEar.ts'
import { createListener, WINDOW } from './listener.ts'
import { openMicrophone } from './microphone.ts'

/** What is due in a bar: strings struck together, or single notes one after another. */
export type Due =
  | { readonly kind: 'chord'; readonly strings: readonly ExpectedString[] }
  | { readonly kind: 'line'; readonly midis: readonly number[]; readonly everyS: number }

export type BarJudged =
  | { readonly kind: 'chord'; readonly heard: ChordHeard }
  | { readonly kind: 'line'; readonly judgement: Judgement }

export interface RunListening {
  /** @param at When the bar begins, in seconds of the audio system. @param lasts Seconds. */
  readonly expect: (due: Due, at: number, lasts: number) => void
  /** Of the audio system's clock, in seconds. */
  readonly now: () => number
  readonly end: () => void
}

const EVERY_MS = 10
/** The rest of a bar in which a chord that has not come is lost. */
const WAITED_SHARE = 0.6

/**
 * @param source Who is listened to.
 * @param onBar  Told once or twice for every bar: a first word, and the last.
 * @throws what the browser throws when the microphone is refused.
 */
export async function listenToRun(
  source: 'microphone' | 'simulated' | 'simulated in noise',
  latencyMs: number,
  onBar: (judged: BarJudged) => void,
): Promise<RunListening> {
  const { tone, band } = await soundEngine()
  const microphone = source === 'microphone' ? await openMicrophone() : undefined
  const context = tone.getContext()
  const analyser = context.createAnalyser()
  analyser.fftSize = 16_384
  if (microphone) tone.connect(context.createMediaStreamSource(microphone), analyser)
  else band.strings.connect(analyser)
  // A noisy room is heard by the ear as well.
  if (source === 'simulated in noise') band.drums.connect(analyser)
  const ear = createChordEar(context.sampleRate)
  const listener = createListener(context.sampleRate)
  const window = new Float32Array(analyser.fftSize)
  let line: { midis: readonly number[]; everyS: number; at: number; until: number; heard: HeardNote[] } | undefined
  const judgeLine = () => {
    if (!line) return
    const { midis, everyS, at, heard } = line
    const expected = midis.map((midi, index) => ({ at: at + index * everyS, midi }))
    line = undefined
    onBar({
      kind: 'line',
      judgement: judge(expected, heard, { latencyS: latencyMs / 1000, withinS: Math.min(0.3, everyS) }),
    })
  }
  const timer = setInterval(() => {
    const now = context.currentTime - latencyMs / 1000
    analyser.getFloatTimeDomainData(window)
    if (line) {
      const note = listener.feed(window.subarray(window.length - WINDOW), context.currentTime)
      if (note) line.heard.push(note)
      if (now > line.until) judgeLine()
    }
    const heard = ear.feed(window, now)
    if (heard) onBar({ kind: 'chord', heard })
  }, EVERY_MS)
  return {
    expect(due, at, lasts) {
      if (due.kind === 'chord') return ear.expect(due.strings, at, at + lasts * WAITED_SHARE)
      judgeLine()
      // The last note may come late, and is judged before the next bar.
      line = { ...due, at, until: at + lasts - 0.03, heard: [] }
      return undefined
    },
    now: () => context.currentTime,
    end() {
      clearInterval(timer)
      for (const track of microphone?.getTracks() ?? []) track.stop()
      if (!microphone) band.strings.disconnect(analyser)
      if (source === 'simulated in noise') band.drums.disconnect(analyser)
    },
  }
}
