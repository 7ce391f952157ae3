/**
 * Hearing chords: plucked strings rendered once into buffers, played through one volume. Tone and the renderer are
 * loaded at the first sound, which needs a gesture of the player.
 */
import { wrap } from 'comlink'
import type { PluckWorker } from '../workers/pluck.worker.ts'

export type PlayStyle = 'strum' | 'together' | 'arpeggio'

/** One chord to be heard. */
export interface Sounding {
  /** Low string to high. */
  readonly midis: readonly number[]
  /** The bass stand-in's note, if it plays along. */
  readonly bass?: number | undefined
}

export interface Manner {
  readonly style: PlayStyle
  readonly strum: 'down' | 'up'
  /** Milliseconds between neighbouring strings of a strum. */
  readonly strumMs: number
  /** 0 to 100. */
  readonly volume: number
  /** Seconds from one chord of a row to the next. */
  readonly apart?: number
}

const ARPEGGIO_S = 0.28

type ToneLibrary = typeof import('tone')
type Source = InstanceType<ToneLibrary['ToneBufferSource']>
type Buffer = InstanceType<ToneLibrary['ToneAudioBuffer']>

interface Engine {
  readonly tone: ToneLibrary
  readonly volume: InstanceType<ToneLibrary['Volume']>
  readonly render: (midi: number) => Promise<Buffer>
  readonly ringing: Set<Source>
}

let starting: Promise<Engine> | undefined

async function startEngine(): Promise<Engine> {
  const tone = await import('tone')
  await tone.start()
  const worker = wrap<PluckWorker>(
    new Worker(new URL('../workers/pluck.worker.ts', import.meta.url), { type: 'module' }),
  )
  const volume = new tone.Volume(-9).connect(new tone.Limiter(-2).toDestination())
  const buffers = new Map<number, Promise<Buffer>>()
  const render = (midi: number) => {
    let buffer = buffers.get(midi)
    if (buffer === undefined) {
      buffer = worker
        .render(midi, tone.getContext().sampleRate)
        .then((samples) => tone.ToneAudioBuffer.fromArray(samples))
      buffers.set(midi, buffer)
    }
    return buffer
  }
  return { tone, volume, render, ringing: new Set() }
}

const engine = (): Promise<Engine> => {
  starting ??= startEngine()
  return starting
}

/** Stops what rings, and what was still to come, with a short fade. */
export async function silence(): Promise<void> {
  if (!starting) return
  const { ringing } = await starting
  for (const source of ringing) source.stop()
  ringing.clear()
}

/** Seconds after the chord's start at which each of its pitches begins. */
export function onsetsOf(pitches: number, { style, strum, strumMs }: Manner): readonly number[] {
  return Array.from({ length: pitches }, (_, index) => {
    if (style === 'together') return 0
    if (style === 'arpeggio') return index * ARPEGGIO_S
    return ((strum === 'down' ? index : pitches - 1 - index) * strumMs) / 1000
  })
}

/**
 * Plays chords one after another.
 * @returns Seconds from now at which each chord begins, for a cursor.
 */
export async function play(chords: readonly Sounding[], manner: Manner): Promise<readonly number[]> {
  const { tone, volume, render, ringing } = await engine()
  const buffers = await Promise.all(
    chords.map(async ({ midis, bass }) => ({
      pitches: await Promise.all(midis.map(render)),
      bass: bass === undefined ? undefined : await render(bass),
    })),
  )
  await silence()
  const { volume: percent, apart = 1.3 } = manner
  // Loudness halves about every 30 percent.
  volume.volume.value = percent <= 0 ? Number.NEGATIVE_INFINITY : -9 + 30 * Math.log10(percent / 70)
  const start = tone.now() + 0.03
  const ring = (buffer: Buffer, at: number, until: number | undefined) => {
    const source = new tone.ToneBufferSource({ url: buffer, fadeOut: 0.08 }).connect(volume)
    ringing.add(source)
    source.onended = () => ringing.delete(source)
    source.start(at)
    if (until !== undefined) source.stop(until)
  }
  const begins = chords.map((_, index) => index * apart)
  for (const [index, { pitches, bass }] of buffers.entries()) {
    const at = start + (begins[index] as number)
    // A new chord takes the strings of the one before.
    const until = index < chords.length - 1 ? at + apart - 0.02 : undefined
    const onsets = onsetsOf(pitches.length, manner)
    for (const [voice, buffer] of pitches.entries()) ring(buffer, at + (onsets[voice] as number), until)
    if (bass) ring(bass, at, until)
  }
  return begins
}

/** Where a double bass would play a pitch class: from E1 up. */
export const bassNote = (pitchClass: number): number => 28 + ((pitchClass - 4 + 12) % 12)
