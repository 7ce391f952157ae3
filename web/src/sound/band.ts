/**
 * The band: plucked strings, bass, drums and clicks, each with its own volume, in one audio context.
 *   Score ─prepare→ every sound rendered ─strike(event, time)→ sources that start at that very time
 * The same band plays live and renders offline, so what is measured is what is heard.
 */
import { TIMBRES, type Timbre } from '@nestling/core/neck'
import { PARTS, type Part, type ScoreEvent, type StringEvent } from '@nestling/core/time'
import { decibels } from './decibels.ts'
import { cleanCurve, HEADROOM_DB, REACH } from './headroom.ts'
import { roomOf } from './room.ts'

export type ToneLibrary = typeof import('tone')
type Context = InstanceType<ToneLibrary['Context']> | InstanceType<ToneLibrary['OfflineContext']>
type Source = InstanceType<ToneLibrary['ToneBufferSource']>

/** Renders one sound as mono samples. */
export type RenderSound = (sound: string, sampleRate: number) => Promise<Float32Array>

/** Names of sounds: `pluck 64 archtop`, `bass 33`, `drum kick`, `click accent`. */
export function soundOf(event: ScoreEvent, timbre: Timbre): string {
  switch (event.part) {
    case 'strings':
      return `pluck ${Math.round(event.midi)} ${timbre}`
    case 'bass':
      return `bass ${event.midi}`
    case 'drums':
      return `drum ${event.drum}`
    case 'click':
      return `click ${event.accent ? 'accent' : 'plain'}`
  }
}

export interface BandMix extends Readonly<Record<Part, number>> {
  /** Of everything, 0 to 100. */
  readonly all: number
  /** What the strings are made of, from the next `prepare` on; and whether they stand in a room. */
  readonly timbre: Timbre
  readonly room: boolean
}

export interface Band {
  /** Renders every sound that is not there yet. Must have ended before `strike`. */
  readonly prepare: (events: readonly ScoreEvent[]) => Promise<void>
  /** Sounds an event at a time of the context; a new note on a string ends the one before. */
  readonly strike: (event: ScoreEvent, time: number, secondsPerBeat: number) => void
  readonly setMix: (mix: BandMix) => void
  /** Ends all that sounds and all that was still to sound. */
  readonly silence: () => void
  /** Where strings and drums leave the mix: what a simulated player in a noisy room plays into the ear. */
  readonly strings: InstanceType<ToneLibrary['Volume']>
  readonly drums: InstanceType<ToneLibrary['Volume']>
}

/** What a note takes from the note before it: its string, or the bass's one string. */
const placeOf = (event: ScoreEvent): string => (event.part === 'strings' ? `string ${event.string}` : event.part)

/** A damped note fades this quickly, so that it doesn't click. */
const FADE_S = 0.015
/** Each string is out of tune in its own way, by less than is heard as such. In cents. */
const OWN_CENTS = [0.6, -1.1, 0.9, -0.4, 1.2, -0.8, 0.3, -1.3, 1, -0.6] as const
/** How far a note lies from the pitch that was made: its string's own, and a simulated player's. */
const centsOf = ({ string, midi }: StringEvent): number =>
  (OWN_CENTS[string % OWN_CENTS.length] as number) + 100 * (midi - Math.round(midi))
/** Softer is duller: below such a loudness a string goes through a filter that is open up to so many Hz. */
const DULLER: readonly (readonly [below: number, hz: number])[] = [
  [0.5, 1800],
  [0.75, 3600],
]
const CURVE_POINTS = 8193

export function createBand(tone: ToneLibrary, context: Context, render: RenderSound): Band {
  const master = new tone.Volume({ context, volume: HEADROOM_DB })
  // No compressor: it would hold everything back by its 6 ms, and swallow the first attack.
  const last = new tone.WaveShaper({ context, mapping: cleanCurve(CURVE_POINTS) as unknown as number[] })
  master.chain(new tone.Gain({ context, gain: 1 / REACH }), last.toDestination())
  const parts = Object.fromEntries(
    PARTS.map((part) => [part, new tone.Volume({ context, volume: 0 }).connect(master)]),
  ) as Record<Part, InstanceType<ToneLibrary['Volume']>>
  const duller = DULLER.map(
    ([below, frequency]) =>
      [
        below,
        new tone.Filter({ context, type: 'lowpass', frequency, Q: 0, rolloff: -12 }).connect(parts.strings),
      ] as const,
  )
  const room = roomOf(tone, context, master)
  parts.strings.connect(room)
  let timbre: Timbre = 'archtop'
  const buffers = new Map<string, Promise<AudioBuffer>>()
  const ready = new Map<string, AudioBuffer>()
  const ringing = new Set<Source>()
  /** The note that holds each string, and when it ends by itself; the bass has one string. */
  const held = new Map<string, { readonly source: Source; readonly end: number }>()

  const bufferOf = (sound: string): Promise<AudioBuffer> => {
    let buffer = buffers.get(sound)
    if (buffer === undefined) {
      buffer = render(sound, context.sampleRate).then((samples) => {
        const made = context.createBuffer(1, samples.length, context.sampleRate)
        made.getChannelData(0).set(samples)
        ready.set(sound, made)
        return made
      })
      // A sound that failed is tried again when it is next asked for.
      buffer.catch(() => buffers.delete(sound))
      buffers.set(sound, buffer)
    }
    return buffer
  }

  return {
    strings: parts.strings,
    drums: parts.drums,
    async prepare(events) {
      await Promise.all([...new Set(events.map((event) => soundOf(event, timbre)))].map(bufferOf))
    },
    strike(event, time, secondsPerBeat) {
      // Another instrument that comes into the hand is heard from the next piece on.
      const buffer = [timbre, ...TIMBRES]
        .map((one) => ready.get(soundOf(event, one)))
        .find((made) => made !== undefined)
      if (buffer === undefined) throw new Error(`${soundOf(event, timbre)} was not prepared`)
      const isString = event.part === 'strings'
      const through = isString ? duller.find(([below]) => event.loud < below)?.[1] : undefined
      const own = isString ? centsOf(event) : 0
      const source = new tone.ToneBufferSource({
        ...{ context, url: buffer, fadeOut: FADE_S, playbackRate: 2 ** (own / 1200) },
      }).connect(through ?? parts[event.part])
      ringing.add(source)
      const place = placeOf(event)
      // Tone itself lets go of it afterwards; offline it must stay until everything is rendered.
      source.onended = () => {
        ringing.delete(source)
        if (held.get(place)?.source === source) held.delete(place)
      }
      // Neighbouring strings go the other way first: together they need less room.
      source.start(time, 0, undefined, isString && event.string % 2 === 1 ? -event.loud : event.loud)
      if (!isString && event.part !== 'bass') return
      // Told twice when to stop, a source takes the later word: its own end is kept.
      const before = held.get(place)
      if (before && before.end > time) before.source.stop(time)
      const end = event.length === undefined ? Number.POSITIVE_INFINITY : time + event.length * secondsPerBeat
      held.set(place, { source, end })
      if (event.length !== undefined) source.stop(end)
    },
    setMix(mix) {
      timbre = mix.timbre
      room.gain.value = mix.room ? 1 : 0
      master.volume.value = HEADROOM_DB + decibels(mix.all)
      for (const part of PARTS) parts[part].volume.value = decibels(mix[part])
    },
    silence() {
      for (const source of ringing) source.stop(tone.immediate())
      ringing.clear()
      held.clear()
    },
  }
}
