/**
 * The band: plucked strings, bass, drums and clicks, each with its own volume, in one audio context.
 *   Score ─prepare→ every sound rendered ─strike(event, time)→ sources that start at that very time
 * The same band plays live and renders offline, so what is measured is what is heard.
 */
import { PARTS, type Part, type ScoreEvent } from '@nestling/core/time'
import { decibels } from './decibels.ts'

export type ToneLibrary = typeof import('tone')
type Context = InstanceType<ToneLibrary['Context']> | InstanceType<ToneLibrary['OfflineContext']>
type Source = InstanceType<ToneLibrary['ToneBufferSource']>

/** Renders one sound as mono samples. */
export type RenderSound = (sound: string, sampleRate: number) => Promise<Float32Array>

/** Names of sounds: `pluck 64`, `bass 33`, `drum kick`, `click accent`. */
export function soundOf(event: ScoreEvent): string {
  switch (event.part) {
    case 'strings':
      return `pluck ${event.midi}`
    case 'bass':
      return `bass ${event.midi}`
    case 'drums':
      return `drum ${event.drum}`
    case 'click':
      return `click ${event.accent ? 'accent' : 'plain'}`
  }
}

export interface BandVolumes extends Readonly<Record<Part, number>> {
  /** Of everything, 0 to 100. */
  readonly all: number
}

export interface Band {
  /** Renders every sound that is not there yet. Must have ended before `strike`. */
  readonly prepare: (events: readonly ScoreEvent[]) => Promise<void>
  /** Sounds an event at a time of the context; a new note on a string ends the one before. */
  readonly strike: (event: ScoreEvent, time: number, secondsPerBeat: number) => void
  readonly setVolumes: (volumes: BandVolumes) => void
  /** Ends all that sounds and all that was still to sound. */
  readonly silence: () => void
  /** Where strings and drums leave their volumes: what a simulated player in a noisy room plays into the ear. */
  readonly strings: InstanceType<ToneLibrary['Volume']>
  readonly drums: InstanceType<ToneLibrary['Volume']>
}

/** What a note takes from the note before it: its string, or the bass's one string. */
const placeOf = (event: ScoreEvent): string => (event.part === 'strings' ? `string ${event.string}` : event.part)

/** A damped note fades this quickly, so that it doesn't click. */
const FADE_S = 0.015
const HEADROOM_DB = -9

export function createBand(tone: ToneLibrary, context: Context, render: RenderSound): Band {
  const master = new tone.Volume({ context, volume: HEADROOM_DB })
  master.connect(new tone.Limiter({ context, threshold: -2 }).toDestination())
  const parts = Object.fromEntries(
    PARTS.map((part) => [part, new tone.Volume({ context, volume: 0 }).connect(master)]),
  ) as Record<Part, InstanceType<ToneLibrary['Volume']>>
  const buffers = new Map<string, Promise<AudioBuffer>>()
  const ready = new Map<string, AudioBuffer>()
  const ringing = new Set<Source>()
  /** The note that holds each string; the bass has one string. */
  const held = new Map<string, Source>()

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
      await Promise.all([...new Set(events.map(soundOf))].map(bufferOf))
    },
    strike(event, time, secondsPerBeat) {
      const buffer = ready.get(soundOf(event))
      if (buffer === undefined) throw new Error(`${soundOf(event)} was not prepared`)
      const source = new tone.ToneBufferSource({ context, url: buffer, fadeOut: FADE_S }).connect(parts[event.part])
      ringing.add(source)
      // Tone itself lets go of it afterwards; offline it must stay until everything is rendered.
      source.onended = () => {
        ringing.delete(source)
        if (held.get(placeOf(event)) === source) held.delete(placeOf(event))
      }
      source.start(time, 0, undefined, event.loud)
      if (event.part !== 'strings' && event.part !== 'bass') return
      const place = placeOf(event)
      held.get(place)?.stop(time)
      held.set(place, source)
      if (event.length !== undefined) source.stop(time + event.length * secondsPerBeat)
    },
    setVolumes(volumes) {
      master.volume.value = HEADROOM_DB + decibels(volumes.all)
      for (const part of PARTS) parts[part].volume.value = decibels(volumes[part])
    },
    silence() {
      for (const source of ringing) source.stop(tone.immediate())
      ringing.clear()
      held.clear()
    },
  }
}
