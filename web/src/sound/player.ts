/**
 * Hearing a chord: plucked strings rendered once into buffers, played through one volume. Tone and the renderer are
 * loaded at the first sound, which needs a gesture of the player.
 */
import { wrap } from 'comlink'
import type { PluckWorker } from '../workers/pluck.worker.ts'

export type PlayStyle = 'strum' | 'together' | 'arpeggio'

/** Seconds between neighbouring strings. */
const APART: Record<PlayStyle, number> = { strum: 0.032, together: 0, arpeggio: 0.28 }

type ToneLibrary = typeof import('tone')

interface Engine {
  readonly tone: ToneLibrary
  readonly volume: InstanceType<ToneLibrary['Volume']>
  readonly render: (midi: number) => Promise<InstanceType<ToneLibrary['ToneAudioBuffer']>>
  readonly ringing: Set<InstanceType<ToneLibrary['ToneBufferSource']>>
}

let starting: Promise<Engine> | undefined

async function startEngine(): Promise<Engine> {
  const tone = await import('tone')
  await tone.start()
  const worker = wrap<PluckWorker>(
    new Worker(new URL('../workers/pluck.worker.ts', import.meta.url), { type: 'module' }),
  )
  const volume = new tone.Volume(-9).connect(new tone.Limiter(-2).toDestination())
  const buffers = new Map<number, Promise<InstanceType<ToneLibrary['ToneAudioBuffer']>>>()
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

/** Stops what rings, with a short fade. */
export async function silence(): Promise<void> {
  if (!starting) return
  const { ringing } = await starting
  for (const source of ringing) source.stop()
  ringing.clear()
}

/**
 * Plays pitches, low to high, in a style.
 * @param volumePercent 0–100, halved in loudness about every 30.
 * @returns The seconds from now at which each pitch begins, for a cursor.
 */
export async function playPitches(
  midis: readonly number[],
  style: PlayStyle,
  volumePercent: number,
): Promise<readonly number[]> {
  const { tone, volume, render, ringing } = await engine()
  const buffers = await Promise.all(midis.map(render))
  await silence()
  volume.volume.value = volumePercent <= 0 ? Number.NEGATIVE_INFINITY : -9 + 30 * Math.log10(volumePercent / 70)
  const start = tone.now() + 0.03
  const onsets = buffers.map((_, index) => index * APART[style])
  for (const [index, buffer] of buffers.entries()) {
    const source = new tone.ToneBufferSource({ url: buffer, fadeOut: 0.08 }).connect(volume)
    ringing.add(source)
    source.onended = () => ringing.delete(source)
    source.start(start + (onsets[index] as number))
  }
  return onsets
}
