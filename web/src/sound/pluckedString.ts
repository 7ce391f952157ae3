/**
 * A plucked string as the sum of its partials: each has its own strength and its own decay.
 *   pluck (a short pulse, at a place that thins out the partials with a node there) → body (three broad resonances) → level
 * Nothing is left to chance but a breath of noise at the touch, so that neighbours sound alike. Sources: the modes of an ideal
 * string plucked at a point (strength as sin(nπp)/n at the bridge), stretched by its stiffness; air and top resonances of a
 * guitar near 105, 200 and 390 Hz.
 */
import type { Timbre } from '@nestling/core/neck'
import { weighted } from './loudness.ts'
import { noise } from './noise.ts'

interface StringModel {
  /** Where it is plucked, as a part of its length. */
  readonly place: number
  /** Hz above which the pulse has little. */
  readonly bright: number
  /** How much sharper the nth partial is: as the square root of 1 + stiff·n². */
  readonly stiff: number
  /** Seconds to −60 dB of the first partial of E2; higher strings die sooner, by this power of the pitch. */
  readonly rings: number
  readonly higher: number
  /** How much sooner each further partial dies. */
  readonly dulls: number
  /** Of the noise of finger or pick, to the note's own loudest. */
  readonly touch: number
  /** How much the body adds at its resonances. */
  readonly body: number
}

const MODELS: Readonly<Record<Timbre | 'bass', StringModel>> = {
  nylon: { place: 0.21, bright: 1500, stiff: 1.5e-5, rings: 5, higher: 0.5, dulls: 0.2, touch: 0.03, body: 0.9 },
  steel: { place: 0.16, bright: 3800, stiff: 5e-5, rings: 6.5, higher: 0.42, dulls: 0.09, touch: 0.035, body: 0.7 },
  archtop: { place: 0.19, bright: 2400, stiff: 4e-5, rings: 6, higher: 0.45, dulls: 0.12, touch: 0.045, body: 0.8 },
  bass: { place: 0.34, bright: 320, stiff: 2e-5, rings: 5, higher: 0.45, dulls: 0.4, touch: 0.004, body: 0.3 },
}
export type StringKind = keyof typeof MODELS

const E2_HZ = 82.41
const BODY: readonly (readonly [hz: number, gain: number])[] = [
  [105, 0.9],
  [200, 0.7],
  [390, 0.45],
]
/** Broad, so that one fret more changes a partial by little. */
const BODY_Q = 1.6
/** The first moment rises from nothing: no click. */
const ATTACK_S = 0.0015
const TOUCH_S = 0.012
const FADE_S = 0.3
/** Radians, times the square of a partial's number. */
const SCATTER = 0.9
const LONGEST_S = 5.5
/** A partial this far below the loudest is left out, and ends. */
const FAINT = 1e-4
/** The loudness that every note has, as the weighted power of its first half second: no peak then passes 0.9. */
const LEVEL_DB = -17

interface Partial {
  readonly hz: number
  readonly strength: number
  /** 1/s: amplitude falls as e^(−decay·t). */
  readonly decay: number
  /** Where in its turn it begins, in radians: a body scatters what leaves the string at once, and so it needs less room. */
  readonly phase: number
}

const bodyAt = (hz: number, amount: number): number =>
  BODY.reduce((sum, [at, gain]) => sum + (amount * gain) / (1 + (BODY_Q * (hz / at - at / hz)) ** 2), 1)

function partialsOf(frequency: number, model: StringModel, sampleRate: number): readonly Partial[] {
  const { place, bright, stiff, rings, higher, dulls, body } = model
  const first = rings * (E2_HZ / frequency) ** higher
  const partials: Partial[] = []
  for (let n = 1; n * frequency < 0.45 * sampleRate && n <= 80; n++) {
    const hz = n * frequency * Math.sqrt((1 + stiff * n * n) / (1 + stiff))
    const strength = ((Math.sin(n * Math.PI * place) / n) * bodyAt(hz, body)) / (1 + (hz / bright) ** 2)
    const seconds = first / (1 + dulls * (n - 1) + (hz / 4000) ** 2)
    partials.push({ hz, strength, decay: Math.log(1000) / seconds, phase: SCATTER * n * n })
  }
  const most = Math.max(...partials.map(({ strength }) => Math.abs(strength)))
  return partials.filter(({ strength }) => Math.abs(strength) > FAINT * most)
}

/** Seconds over which a note's loudness is taken. */
const HEARD_S = 0.5

/** The weighted mean power of the first half second; partials of different pitch add their powers. */
function powerOf(partials: readonly Partial[]): number {
  const sum = partials.reduce(
    (all, { hz, strength, decay }) =>
      all + (strength * weighted(hz)) ** 2 * ((1 - Math.exp(-2 * decay * HEARD_S)) / (4 * decay)),
    0,
  )
  return sum / HEARD_S
}

/**
 * @param midi        Pitch, 60 = C4, equal temperament at A4 = 440 Hz.
 * @param sampleRate  In Hz.
 * @returns Mono samples within ±0.9, up to five seconds and a half, silent at the end; all pitches equally loud.
 */
export function renderPluck(midi: number, sampleRate: number, kind: StringKind = 'archtop'): Float32Array<ArrayBuffer> {
  const model = MODELS[kind]
  const frequency = 440 * 2 ** ((midi - 69) / 12)
  const partials = partialsOf(frequency, model, sampleRate)
  const gain = Math.sqrt(10 ** (LEVEL_DB / 10) / powerOf(partials))
  const rings = Math.log(1000) / Math.min(...partials.map(({ decay }) => decay))
  const samples = new Float32Array(Math.floor(Math.min(LONGEST_S, rings) * sampleRate))
  for (const partial of partials) addPartial(samples, partial, gain, sampleRate)
  addTouch(samples, Math.round(midi), gain * model.touch, sampleRate)
  const attack = Math.ceil(ATTACK_S * sampleRate)
  for (let index = 0; index < attack; index++)
    samples[index] = (samples[index] as number) * 0.5 * (1 - Math.cos((Math.PI * index) / attack))
  const fade = Math.floor(FADE_S * sampleRate)
  for (let left = Math.min(fade, samples.length); left > 0; left--) {
    const index = samples.length - left
    samples[index] = (samples[index] as number) * (left / fade)
  }
  return samples
}

/** A decaying sine by its own recursion, until it is faint. */
function addPartial(
  samples: Float32Array,
  { hz, strength, decay, phase }: Partial,
  gain: number,
  sampleRate: number,
): void {
  const turn = (2 * Math.PI * hz) / sampleRate
  const shrinks = Math.exp(-decay / sampleRate)
  const [near, far] = [2 * shrinks * Math.cos(turn), shrinks * shrinks]
  const size = gain * strength
  const faintS = Math.log(Math.max(1, Math.abs(size) / FAINT)) / decay
  const end = Math.min(samples.length, Math.ceil(faintS * sampleRate))
  let before = (size * Math.sin(phase - turn)) / shrinks
  let now = size * Math.sin(phase)
  for (let index = 0; index < end; index++) {
    samples[index] = (samples[index] as number) + now
    const next = near * now - far * before
    before = now
    now = next
  }
}

/** Finger or pick as it leaves the string. */
function addTouch(samples: Float32Array, seed: number, gain: number, sampleRate: number): void {
  const hiss = noise(seed * 2654435761)
  let smooth = 0
  const end = Math.min(samples.length, Math.floor(4 * TOUCH_S * sampleRate))
  for (let index = 0; index < end; index++) {
    smooth += 0.5 * (hiss() - smooth)
    samples[index] = (samples[index] as number) + gain * smooth * Math.exp(-index / (TOUCH_S * sampleRate))
  }
}
