/** From samples to how loud each frequency is: one Hann window, by the FFT of a package. */
import type { Spectrum } from '@nestling/core/ear'
import FFT from 'fft.js'

/** Points of the transform. */
export const SPECTRUM_SIZE = 16_384

const kept = new Map<number, { readonly fft: FFT; readonly hann: Float64Array }>()

function prepared(window: number) {
  let made = kept.get(window)
  if (!made) {
    const hann = Float64Array.from({ length: window }, (_, at) => 0.5 - 0.5 * Math.cos((2 * Math.PI * at) / window))
    made = { fft: new FFT(SPECTRUM_SIZE), hann }
    kept.set(window, made)
  }
  return made
}

/**
 * @param samples At most `SPECTRUM_SIZE` of them, full scale 1; fewer are filled up with silence, so that the peaks of a short
 *   window are drawn as finely.
 */
export function spectrumOf(samples: Float32Array, sampleRate: number): Spectrum {
  const size = SPECTRUM_SIZE
  const { fft, hann } = prepared(samples.length)
  const windowed = new Array<number>(size).fill(0)
  for (let at = 0; at < samples.length; at++) windowed[at] = (samples[at] as number) * (hann[at] as number)
  const out = fft.createComplexArray() as number[]
  fft.realTransform(out, windowed)
  const db = Float32Array.from({ length: size / 2 }, (_, bin) => {
    const re = out[2 * bin] as number
    const im = out[2 * bin + 1] as number
    return 10 * Math.log10(re * re + im * im + 1e-12)
  })
  return { db, hzPerBin: sampleRate / size }
}
