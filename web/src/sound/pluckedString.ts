/**
 * A plucked string: a burst of noise that circulates in a delay line and loses its high partials at every turn.
 * Source: the Karplus–Strong algorithm with an all-pass filter for the fraction of a sample, so that every pitch is
 * in tune, and with a pick position that thins out the partials which have a node there.
 */
import { noise } from './noise.ts'

const SECONDS = 3.2
/** Where along the string it is plucked, and how often its attack is softened: a bass nearer the middle, with a fingertip. */
const TOUCH = { guitar: { place: 0.19, soft: 1 }, bass: { place: 0.34, soft: 6 } } as const
export type Instrument = keyof typeof TOUCH

/**
 * @param midi        Pitch, 60 = C4, equal temperament at A4 = 440 Hz.
 * @param sampleRate  In Hz.
 * @returns Mono samples within ±0.9, about three seconds, silent at the end.
 */
export function renderPluck(
  midi: number,
  sampleRate: number,
  instrument: Instrument = 'guitar',
): Float32Array<ArrayBuffer> {
  const frequency = 440 * 2 ** ((midi - 69) / 12)
  // The averaging filter delays by half a sample; the all-pass takes what is left below a whole one.
  const period = sampleRate / frequency - 0.5
  let length = Math.floor(period)
  let fraction = period - length
  if (fraction < 0.1) {
    length -= 1
    fraction += 1
  }
  const allPass = (1 - fraction) / (1 + fraction)
  const line = pickedNoise(length, midi, TOUCH[instrument])
  const samples = new Float32Array(Math.floor(SECONDS * sampleRate))
  // Low strings ring longer; per turn, so that the decay in seconds stays believable over the whole neck.
  const seconds = Math.min(2.8, Math.max(0.7, 3.4 - midi / 32))
  const loss = 0.001 ** (1 / (frequency * seconds))
  let before = 0
  let passIn = 0
  let passOut = 0
  let peak = 0
  for (let index = 0, at = 0; index < samples.length; index++) {
    const now = line[at] as number
    const averaged = loss * 0.5 * (now + before)
    before = now
    passOut = allPass * averaged + passIn - allPass * passOut
    passIn = averaged
    line[at] = passOut
    at = at + 1 === length ? 0 : at + 1
    samples[index] = now
    peak = Math.max(peak, Math.abs(now))
  }
  const fade = Math.floor(0.25 * sampleRate)
  for (let index = 0; index < samples.length; index++) {
    const left = samples.length - index
    samples[index] = ((samples[index] as number) * 0.9 * Math.min(1, left / fade)) / (peak || 1)
  }
  return samples
}

/** The same noise for the same pitch, so that a note sounds alike whenever it is played. */
function pickedNoise(length: number, seed: number, { place, soft }: { place: number; soft: number }): Float32Array {
  const hiss = noise(seed * 2654435761)
  const line = Float32Array.from({ length }, () => hiss() * 0.8)
  const delay = Math.max(1, Math.round(length * place))
  let burst = line.map((value, index) => value - (line[(index - delay + length) % length] as number))
  // A fingertip is softer than a click: the burst is smoothed.
  for (let round = 0; round < soft; round++) {
    const before = burst
    burst = before.map((value, index) => 0.5 * (value + (before[(index + 1) % length] as number)))
  }
  return burst
}
