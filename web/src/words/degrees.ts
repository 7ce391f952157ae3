/** Degrees in words and signs. */
import { type Degree, stepOf, withSigns } from '@nestling/core/pitch'

const STEP_NAMES: Readonly<Record<number, string>> = {
  1: 'root',
  2: 'second',
  3: 'third',
  4: 'fourth',
  5: 'fifth',
  6: 'sixth',
  7: 'seventh',
  9: 'ninth',
  11: 'eleventh',
  13: 'thirteenth',
}

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
