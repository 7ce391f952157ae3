/** How much a tone matters, told by its filling. */
import { type Degree, stepOf, withSigns } from '@nestling/core/pitch'

export type ToneWeight = 'root' | 'third' | 'seventh' | 'fifth' | 'extension'

/** Sixths stand where sevenths stand; suspensions and extensions are guests. */
export function toneWeight(degree: Degree): ToneWeight {
  if (degree === 'R') return 'root'
  const step = stepOf(degree)
  if (step === 3) return 'third'
  if (step === 5) return 'fifth'
  return step === 6 || step === 7 ? 'seventh' : 'extension'
}

const STEP_NAMES: Readonly<Record<number, string>> = {
  1: 'root', 2: 'second', 3: 'third', 4: 'fourth', 5: 'fifth', 6: 'sixth', 7: 'seventh', 9: 'ninth', 11: 'eleventh', 13: 'thirteenth',
} // biome-ignore format: a table

const QUALITIES: Readonly<Record<string, string>> = {
  b: 'flat ',
  '#': 'sharp ',
  bb: 'double-flat ',
  '##': 'double-sharp ',
}

/** A degree in words: `b3` is the minor third, `#11` the sharp eleventh. */
export function degreeName(degree: Degree): string {
  const name = STEP_NAMES[stepOf(degree)] ?? degree
  const accidental = degree === 'R' ? '' : degree.replace(/\d+$/, '')
  if (degree === 'b3' || degree === 'b7') return `minor ${name}`
  if (degree === '7') return `major ${name}`
  if (degree === 'bb7') return `diminished ${name}`
  return `${QUALITIES[accidental] ?? ''}${name}`
}

export const degreeSign = (degree: Degree): string => withSigns(degree)
