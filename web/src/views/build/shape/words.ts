import type { SilentString } from '@nestling/core/hand'

const ORDINALS = [
  'root position',
  '1st inversion',
  '2nd inversion',
  '3rd inversion',
  '4th inversion',
  '5th inversion',
  '6th inversion',
]

export const inversionWords = (inversion: number | null): string =>
  inversion === null ? 'over a bass of its own' : (ORDINALS[inversion] ?? '')

/** Who keeps the silent strings silent: "6 damped by the tip of finger 1 · 1 not plucked". */
export function silentWords(silent: readonly SilentString[], strings: number): string {
  return silent.map((string) => silentWord(string, strings - string.string)).join(' · ')
}

function silentWord(string: SilentString, number: number): string {
  switch (string.kind) {
    case 'damped':
      return `string ${number} damped by the ${string.how === 'tip' ? 'tip' : 'flat'} of ${string.by === 'T' ? 'the thumb' : `finger ${string.by}`}`
    case 'not-plucked':
      return `string ${number} not plucked`
    case 'leaks':
      return `string ${number} would ring: no finger is near to damp it`
  }
}
