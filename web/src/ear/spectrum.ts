/** From samples to how loud each frequency is: one Hann window, by the FFT of a package. */
import type { Spectrum } from '@nestling/core/ear'
import FFT from 'fft.js'

const kept = new Map<number, { readonly fft: FFT; readonly hann: Float64Array }>()

function prepared(size: number) {
  let made = kept.get(size)
  if (!made) {
    const hann = Float64Array.from({ length: size }, (_, at) => 0.5 - 0.5 * Math.cos((2 * Math.PI * at) / size))
    made = { fft: new FFT(size), hann }
    kept.set(size, made)
  }
  return made
}

/** @param samples A power of two of them, full scale 1. */
export function spectrumOf(samples: Float32Array, sampleRate: number): Spectrum {
  const size = samples.length
  const { fft, hann } = prepared(size)
  const windowed = Array.from(samples, (sample, at) => sample * (hann[at] as number))
  const out = fft.createComplexArray() as number[]
  fft.realTransform(out, windowed)
  const db = Float32Array.from({ length: size / 2 }, (_, bin) => {
    const re = out[2 * bin] as number
    const im = out[2 * bin + 1] as number
    return 10 * Math.log10(re * re + im * im + 1e-12)
  })
  return { db, hzPerBin: sampleRate / size }
}
