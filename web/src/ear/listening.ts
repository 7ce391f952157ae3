/**
 * The ear stand-in: plays the clicks of a line, listens to a microphone or to the simulated player, and tells which notes came.
 *   microphone | simulated player ─analyser→ windows ─listener→ heard notes ─judge→ marks
 */
import { type HeardNote, type Judgement, judge } from '@nestling/core/ear'
import { type Score, stringEvents } from '@nestling/core/time'
import { atom } from 'nanostores'
import type { BandMix } from '../sound/band.ts'
import { play, soundEngine, stop } from '../sound/transport.ts'
import { messageOf, refusal } from '../words/ear.ts'
import { createListener, WINDOW } from './listener.ts'
import { openMicrophone } from './microphone.ts'
import { noiseFor, type Plays, simulated } from './simulatedPlayer.ts'

export type EarSource = { readonly kind: 'microphone' } | { readonly kind: 'simulated'; readonly plays: Plays }

export interface Listening {
  readonly status: 'off' | 'starting' | 'listening' | 'done' | 'refused'
  /** One for every note of the line, as far as it was judged. */
  readonly judgement: Judgement | undefined
  /** What there is to say besides the marks: why nothing could be heard, or what was heard instead of notes. */
  readonly message: string | undefined
}
const OFF: Listening = { status: 'off', judgement: undefined, message: undefined }
export const $listening = atom<Listening>(OFF)

export interface ListenOptions {
  readonly owner: string
  readonly source: EarSource
  readonly tempo: number
  readonly mix: BandMix
  readonly latencyMs: number
}

const EVERY_MS = 10
/** After the last note a late one may still come. */
const AFTER_S = 0.7

let end: (() => void) | undefined
/** Of listenings; one that was stopped while the microphone was asked for does not begin. */
let ticket = 0

/** Ends listening and closes the microphone. */
export function stopListening(): void {
  ticket++
  end?.()
  end = undefined
  if ($listening.get().status !== 'done') $listening.set(OFF)
  stop()
}

/** @param score The line as a score with its count-in; its string events are what should come. */
export async function listen(score: Score, options: ListenOptions): Promise<void> {
  const { owner, source, tempo, mix, latencyMs } = options
  const { countIn } = score
  stopListening()
  const mine = ticket
  $listening.set({ ...OFF, status: 'starting' })
  const line = stringEvents(score)
  try {
    const { tone, band } = await soundEngine()
    const microphone = source.kind === 'microphone' ? await openMicrophone() : undefined
    const close = () => {
      for (const track of microphone?.getTracks() ?? []) track.stop()
    }
    if (mine !== ticket) return close()
    const context = tone.getContext()
    const analyser = context.createAnalyser()
    analyser.fftSize = WINDOW
    if (microphone) tone.connect(context.createMediaStreamSource(microphone), analyser)
    if (source.kind === 'simulated') {
      band.strings.connect(analyser)
      // A noisy room is heard by the ear as well.
      if (source.plays === 'noise') band.drums.connect(analyser)
    }
    const struck =
      source.kind === 'simulated'
        ? [...simulated(score, source.plays, tempo), ...(source.plays === 'noise' ? noiseFor(score) : [])]
        : []
    const listener = createListener(context.sampleRate)
    const heard: HeardNote[] = []
    const window = new Float32Array(WINDOW)
    let begins = Number.POSITIVE_INFINITY
    const expected = () => line.map(({ at, midi }) => ({ at: begins + (at * 60) / tempo, midi }))
    // At a quick tempo a note may be off by no more than half a beat.
    const rules = { latencyS: latencyMs / 1000, withinS: Math.min(0.35, 30 / tempo) }
    const lastAt = Math.max(...line.map(({ at }) => at), 0)
    const finish = () => {
      const judgement = judge(expected(), heard, rules)
      $listening.set({ status: 'done', judgement, message: messageOf(judgement, listener.overheard()) })
      end?.()
      end = undefined
      stop()
    }
    const timer = setInterval(() => {
      const now = context.currentTime
      if (now > begins + (lastAt * 60) / tempo + AFTER_S + latencyMs / 1000) return finish()
      analyser.getFloatTimeDomainData(window)
      if (now < begins + (countIn * 60) / tempo - 0.35) {
        listener.hearRoom(window)
        return undefined
      }
      const note = listener.feed(window, now)
      // Clicks of the count-in are no notes of the player.
      if (note && note.at > begins + (countIn * 60) / tempo - 0.3) {
        heard.push(note)
        const so = expected().filter(({ at }) => at < now)
        $listening.set({ status: 'listening', judgement: judge(so, heard, rules), message: undefined })
      }
      return undefined
    }, EVERY_MS)
    end = () => {
      clearInterval(timer)
      close()
      if (source.kind === 'simulated') {
        band.strings.disconnect(analyser)
        if (source.plays === 'noise') band.drums.disconnect(analyser)
      }
    }
    const others = score.events.filter(({ part }) => part !== 'strings')
    const plan: Score = { ...score, events: [...others, ...struck], beats: score.beats + 4, loop: false }
    await play(plan, {
      owner,
      tempo,
      mix,
      latencyMs,
      onStart: (seconds) => {
        begins = seconds
      },
    })
    if ($listening.get().status === 'starting') $listening.set({ ...OFF, status: 'listening' })
  } catch (error) {
    if (mine !== ticket) return
    end?.()
    end = undefined
    stop()
    $listening.set({ ...OFF, status: 'refused', message: refusal(error) })
  }
}
