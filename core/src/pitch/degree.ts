import { alterationOf, LETTER_SEMITONES, letterIndexOf, noteNameOf } from './noteName.ts'
import type { Degree, NoteName } from './types.ts'

const DEGREE_PATTERN = /^(bb|b|##|#|)(2|3|4|5|6|7|9|11|13)$/

/** The step of a degree, 1–13: which letter it takes. */
export const stepOf = (degree: Degree): number => (degree === 'R' ? 1 : Number(degree.replace(/^[b#]+/, '')))

/** Semitones that a degree's accidentals add: −2 … 2. */
export function degreeAlteration(degree: Degree): number {
  const sign = degree === 'R' ? '' : degree.replace(/\d+$/, '')
  return sign.startsWith('b') ? -sign.length : sign.length
}

const semitoneCache = new Map<Degree, number>()

/** Semitones above the root: the major scale's step, an octave more from the 9th up, plus the accidentals. */
export function degreeSemitones(degree: Degree): number {
  let semitones = semitoneCache.get(degree)
  if (semitones === undefined) {
    const step = stepOf(degree) - 1
    semitones = (LETTER_SEMITONES[step % 7] as number) + 12 * Math.floor(step / 7) + degreeAlteration(degree)
    semitoneCache.set(degree, semitones)
  }
  return semitones
}

/** Semitones above the root inside one octave, 0–11. */
export const degreePitchClass = (degree: Degree): number => ((degreeSemitones(degree) % 12) + 12) % 12

/**
 * The note that a degree is over a root, spelled by the degree: ♯5 over A is E♯, never F.
 * @returns `undefined` when the spelling would need three accidentals; then respell the root (`respellRoot`).
 */
export function spellDegree(root: NoteName, degree: Degree): NoteName | undefined {
  const step = stepOf(degree) - 1
  const letterIndex = (letterIndexOf(root) + step) % 7
  const wanted = (LETTER_SEMITONES[letterIndexOf(root)] as number) + alterationOf(root) + degreeSemitones(degree)
  const plain = LETTER_SEMITONES[letterIndex] as number
  const alteration = ((((wanted - plain) % 12) + 18) % 12) - 6
  return noteNameOf(letterIndex, alteration)
}

/**
 * What a note is over a root, by its letter: G♯ over C is ♯5, A♭ is ♭6 (written ♭13 in a chord).
 * @returns `undefined` when the letters lie more than two accidentals from the root's major scale.
 */
export function degreeBetween(root: NoteName, note: NoteName): Degree | undefined {
  const step = ((letterIndexOf(note) - letterIndexOf(root) + 7) % 7) + 1
  for (const sign of ['', 'b', '#', 'bb', '##']) {
    const degree = (step === 1 ? (sign === '' ? 'R' : undefined) : `${sign}${step}`) as Degree | undefined
    if (degree !== undefined && spellDegree(root, degree) === note) return degree
  }
  return undefined
}

/** Reads one degree, with ASCII or Unicode accidentals before the number; `1` and `R` are the root. */
export function parseDegree(text: string): Degree | undefined {
  const ascii = text
    .trim()
    .replaceAll('𝄫', 'bb')
    .replaceAll('𝄪', '##')
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .replaceAll('♮', '')
  if (ascii === 'R' || ascii === 'r' || ascii === '1') return 'R'
  const found = DEGREE_PATTERN.exec(ascii.replace(/^x/, '##'))
  return found ? (`${found[1]}${found[2]}` as Degree) : undefined
}
