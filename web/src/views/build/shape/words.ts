import type { Finger, RegisterWarning, SilentString } from '@nestling/core/hand'
import { type NamingSystem, pitchAt, plainName, writePitch } from '@nestling/core/pitch'

const ORDINALS = [
  'root position', '1st inversion', '2nd inversion', '3rd inversion', '4th inversion', '5th inversion', '6th inversion',
] // biome-ignore format: a table

export const inversionWords = (inversion: number | null): string =>
  inversion === null ? 'over a bass of its own' : (ORDINALS[inversion] ?? '')

export const fingerWord = (finger: Finger): string => (finger === 'T' ? 'the thumb' : `finger ${finger}`)

export const pitchWord = (midi: number, naming: NamingSystem): string =>
  writePitch(pitchAt(plainName(midi % 12), midi), naming)

/** What keeps a silent string silent: "damped by the tip of finger 1". */
export function silentWord(string: SilentString): string {
  switch (string.kind) {
    case 'damped':
      return `damped by the ${string.how} of ${fingerWord(string.by)}`
    case 'not-plucked':
      return 'not plucked'
    case 'leaks':
      return 'would ring: no finger near to damp it'
  }
}

export function registerWord(warning: RegisterWarning, naming: NamingSystem): string {
  switch (warning.kind) {
    case 'muddy':
      return `The ${warning.interval} from ${pitchWord(warning.low, naming)} to ${pitchWord(warning.high, naming)} sits low: it is clear from ${pitchWord(warning.clearFrom, naming)} up.`
    case 'bass-range':
      return `${warning.midis.map((midi) => pitchWord(midi, naming)).join(' and ')} ${warning.midis.length === 1 ? 'lies' : 'lie'} in the bass player’s range.`
  }
}
