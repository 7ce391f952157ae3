/** A small dry room: a few early reflections that die within a fifth of a second. */
import type { ToneLibrary } from './band.ts'
import { noise } from './noise.ts'

type Context = InstanceType<ToneLibrary['Context']> | InstanceType<ToneLibrary['OfflineContext']>
type Node = InstanceType<ToneLibrary['Volume']>

const SECONDS = 0.22
/** Seconds in which the reflections fall to a third. */
const FALLS_S = 0.045
/** Before the first wall answers. */
const WALL_S = 0.007
/** Of a plain note, all reflections together: 21 dB below it. */
const WET = 0.09
const SEED = 20_260_401

/** The room's answer to a single sample, its power 1. */
export function reflections(sampleRate: number): Float32Array<ArrayBuffer> {
  const hiss = noise(SEED)
  let smooth = 0
  const samples = Float32Array.from({ length: Math.floor(SECONDS * sampleRate) }, (_, index) => {
    const t = index / sampleRate
    // Walls take the highs.
    smooth += 0.35 * (hiss() - smooth)
    return t < WALL_S ? 0 : smooth * Math.exp(-(t - WALL_S) / FALLS_S)
  })
  const power = samples.reduce((sum, sample) => sum + sample * sample, 0)
  return samples.map((sample) => sample / Math.sqrt(power))
}

/** @returns What goes in; its gain opens and closes the room. */
export function roomOf(tone: ToneLibrary, context: Context, into: Node): InstanceType<ToneLibrary['Gain']> {
  const samples = reflections(context.sampleRate)
  const answer = context.createBuffer(1, samples.length, context.sampleRate)
  answer.getChannelData(0).set(samples)
  const door = new tone.Gain({ context, gain: 0 })
  const wet = new tone.Gain({ context, gain: WET })
  door.chain(new tone.Convolver({ context, url: new tone.ToneAudioBuffer(answer), normalize: false }), wet)
  wet.connect(into)
  return door
}
