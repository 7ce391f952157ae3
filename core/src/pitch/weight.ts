/** How much a tone matters, told by its filling. */
import { stepOf } from './degree.ts'
import type { Degree } from './types.ts'

export type ToneWeight = 'root' | 'third' | 'seventh' | 'fifth' | 'extension'

/** Sixths stand where sevenths stand; suspensions and extensions are guests. */
export function toneWeight(degree: Degree): ToneWeight {
  if (degree === 'R') return 'root'
  const step = stepOf(degree)
  if (step === 3) return 'third'
  if (step === 5) return 'fifth'
  return step === 6 || step === 7 ? 'seventh' : 'extension'
}
