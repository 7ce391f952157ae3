/**
 * The one transport: everything that sounds in the application goes through it, so there is one tempo, one stop, one cursor.
 * Tone's clock runs in a worker and looks ahead, so that a busy page doesn't shake the time. Loaded at the first sound, which
 * needs a gesture of the player.
 */

import { type Score, type ScoreEvent, STRAIGHT, type Swing } from '@nestling/core/time'
import { atom } from 'nanostores'
import { loaded } from '../workers/loaded.ts'
import type { Band, BandMix, ToneLibrary } from './band.ts'
import { outputLatencyS } from './latency.ts'
import type { Running } from './schedule.ts'
import { soundsClient } from './soundsClient.ts'

export interface Playing {
  readonly status: 'stopped' | 'starting' | 'counting' | 'playing'
  /** Who asked for it: a view shows only its own cursor. */
  readonly owner: string | undefined
  /** The mark of what sounds now. */
  readonly mark: number | undefined
  /** Events since the start, and how many of them came too late to sound in time. */
  readonly struck: number
  readonly late: number
}
const STOPPED: Playing = { status: 'stopped', owner: undefined, mark: undefined, struck: 0, late: 0 }
export const $playing = atom<Playing>(STOPPED)

export interface PlayOptions {
  readonly owner: string
  /** Quarter notes in a minute. */
  readonly tempo: number
  readonly swing?: Swing
  /** Everything is handed to the audio system at once: for a chord that must sound now, whatever the clock does. */
  readonly atOnce?: boolean
  readonly mix: BandMix
  /** How long the cursor waits for the sound beyond what the browser tells of its output, in ms. */
  readonly latencyMs?: number
  /** The time of the audio context at which beat 0 sounds, told before it does. */
  readonly onStart?: (seconds: number) => void
  /** Told of every cue ahead of its time, with its moment on the audio context's clock. */
  readonly onCue?: ((mark: number, seconds: number) => void) | undefined
  /** Asked at each new round of a loop for its tempo. */
  readonly onRound?: (rounds: number, tempo: number) => number
}

/** Events are handed to the audio system this long before they sound: a page that stalls for less is not heard. */
const LOOK_AHEAD_S = 0.25
/** Not a round number: at one, every ten seconds a tick falls on the edge of Tone's look, where it can be lost. */
const START_S = 0.030_012_345_67

interface Engine {
  readonly tone: ToneLibrary
  readonly band: Band
  readonly schedule: typeof import('./schedule.ts')
}
let starting: Promise<Engine> | undefined
let ticket = 0
let running: Running | undefined

async function startEngine(): Promise<Engine> {
  const [tone, { createBand }, schedule] = await Promise.all([
    loaded(() => import('tone')),
    loaded(() => import('./band.ts')),
    loaded(() => import('./schedule.ts')),
  ])
  await tone.start()
  const context = tone.getContext()
  if (context instanceof tone.Context) {
    context.lookAhead = LOOK_AHEAD_S
    context.updateInterval = LOOK_AHEAD_S / 5
  }
  window.addEventListener('pagehide', stop)
  const band = createBand(tone, context as InstanceType<ToneLibrary['Context']>, soundsClient().render)
  return { tone, band, schedule }
}

/** The band and its context; the first call needs a gesture. */
export function soundEngine(): Promise<Engine> {
  starting ??= startEngine()
  starting.catch(() => {
    starting = undefined
  })
  return starting
}

/** Plays a score from its beginning; what played before ends. */
export async function play(score: Score, options: PlayOptions): Promise<void> {
  const mine = ++ticket
  const { owner, tempo, swing = STRAIGHT, atOnce = false, mix } = options
  const { countIn } = score
  $playing.set({ ...STOPPED, status: 'starting', owner })
  try {
    const { tone, band, schedule } = await soundEngine()
    // What the strings are made of must be known before they are made.
    band.setMix(mix)
    await band.prepare(score.events)
    if (mine !== ticket) return
    halt(tone, band)
    const counts: Counts = { struck: 0, late: 0 }
    const latencyS =
      (options.latencyMs ?? 0) / 1000 + outputLatencyS(tone.getContext().rawContext as Partial<AudioContext>)
    const cursor = cursorOf(tone, mine, latencyS, counts)
    if (atOnce) strikeAll(tone, band, score, { tempo, cursor, mine })
    else {
      const transport = tone.getTransport()
      const { onRound, onCue } = options
      running = schedule.scheduleScore(transport, band, score, {
        tempo,
        swing,
        onEvent: cursor,
        onRound,
        onCue: (mark, time) => {
          onCue?.(mark, time)
          showAt(tone, mine, mark, time + latencyS, counts)
        },
      })
      const comes = (beats: number, does: () => void) =>
        transport.schedule(
          (time) => whenHeard(tone, time, () => mine === ticket && does()),
          schedule.ticks(transport, beats),
        )
      if (countIn > 0) comes(countIn, () => $playing.set({ ...$playing.get(), status: 'playing' }))
      if (!score.loop) comes(score.beats, stop)
      const start = tone.getContext().currentTime + LOOK_AHEAD_S + START_S
      options.onStart?.(start)
      transport.start(start, 0)
    }
    $playing.set({ ...STOPPED, owner, status: countIn > 0 ? 'counting' : 'playing' })
  } catch (error) {
    if (mine === ticket) $playing.set(STOPPED)
    throw error
  }
}

/**
 * When a moment of the audio context has come. Told by its own clock, which goes on in a hidden tab and behind a page that
 * stalls; frames, which do not, draw the cursor and nothing else.
 */
function whenHeard(tone: ToneLibrary, time: number, does: () => void): void {
  const context = tone.getContext()
  context.setTimeout(does, Math.max(0, time - context.currentTime))
}

/** A score handed over whole: its events keep no clock waiting, so the first of them sounds at once. */
function strikeAll(
  tone: ToneLibrary,
  band: Band,
  score: Score,
  { tempo, cursor, mine }: { readonly tempo: number; readonly cursor: Cursor; readonly mine: number },
): void {
  const start = tone.getContext().currentTime + START_S
  const beat = 60 / tempo
  for (const event of score.events) {
    cursor(event, start + event.at * beat)
    band.strike(event, start + event.at * beat, beat)
  }
  whenHeard(tone, start + score.beats * beat, () => mine === ticket && stop())
}

/** Sounds events now, over what plays; nothing is stopped for it. */
export async function strikeOver(events: readonly ScoreEvent[], tempo: number, mix: BandMix): Promise<void> {
  const { tone, band } = await soundEngine()
  if (running === undefined) band.setMix(mix)
  await band.prepare(events)
  const start = tone.getContext().currentTime + START_S
  for (const event of events) band.strike(event, start + (event.at * 60) / tempo, 60 / tempo)
}

type Cursor = (event: ScoreEvent, time: number) => void

/** Of one playing: it counts on while it goes. */
type Counts = { -readonly [Count in 'struck' | 'late']: number }

/** Counts what is struck, and shows the mark of a note when it is heard. */
function cursorOf(tone: ToneLibrary, mine: number, latencyS: number, counts: Counts): Cursor {
  const clock = tone.getContext()
  return (event, time) => {
    counts.struck++
    if (time < clock.currentTime) counts.late++
    if (event.part !== 'strings' || event.mark === undefined) return
    showAt(tone, mine, event.mark, time + latencyS, counts)
  }
}

/** Shows a mark when its time has come, and what was struck so far. */
function showAt(tone: ToneLibrary, mine: number, mark: number, time: number, counts: Counts): void {
  const counted = { ...counts }
  tone.getDraw().schedule(() => {
    if (mine === ticket) $playing.set({ ...$playing.get(), ...counted, mark })
  }, time)
}

function halt(tone: ToneLibrary, band: Band): void {
  tone.getTransport().stop()
  tone.getTransport().cancel()
  running = undefined
  tone.getDraw().cancel()
  band.silence()
}

/** Stops what sounds and what was still to come. */
export function stop(): void {
  ticket++
  $playing.set(STOPPED)
  void starting?.then(({ tone, band }) => halt(tone, band))
}

/** Takes effect at once, also while it plays. */
export function setTempo(tempo: number): void {
  running?.setTempo(tempo)
}
export function setSwing(swing: Swing): void {
  running?.setSwing(swing)
}
export function setMix(mix: BandMix): void {
  void starting?.then(({ band }) => band.setMix(mix))
}
