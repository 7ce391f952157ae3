import type { Chord } from '@nestling/core/chord'
import type { Finger, HandLimit, HandVerdict, NarrowInterval, RegisterWarning, SilentString } from '@nestling/core/hand'
import {
  degreePitchClass,
  type NamingSystem,
  pitchAt,
  pitchClassOf,
  plainName,
  spellDegree,
  writeNote,
  writePitch,
} from '@nestling/core/pitch'
import { degreeName } from './degrees.ts'

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

const fingerWord = (finger: Finger): string => (finger === 'T' ? 'the thumb' : `finger ${finger}`)

const pitchWord = (midi: number, naming: NamingSystem): string =>
  writePitch(pitchAt(plainName(midi % 12), midi), naming)

/** What keeps a silent string silent: "damped by the tip of finger 1"; where nothing does, what would be heard. */
export function silentWord(string: SilentString, chord: Chord, naming: NamingSystem): string {
  switch (string.kind) {
    case 'damped':
      return `damped by the ${string.how} of ${fingerWord(string.by)}`
    case 'not-plucked':
      return 'not plucked'
    case 'leaks':
      return `leaks ${leakWord(string.wouldSound, chord, naming)}: no finger near`
  }
}

/** The same on the neck, where the string itself is there to be seen: "tip of 1 damps". */
export const dampWord = ({ how, by }: { readonly how: 'tip' | 'flat'; readonly by: Finger }): string =>
  `${how} of ${by === 'T' ? 'the thumb' : by} damps`

/** The note that would ring, and whether it hurts: "A, the fifth" or "A, foreign to the chord". */
function leakWord(midi: number, { root, formula }: Chord, naming: NamingSystem): string {
  const above = (midi - pitchClassOf(root) + 120) % 12
  const tone = formula.find((degree) => degreePitchClass(degree) === above)
  const note = (tone && spellDegree(root, tone)) ?? plainName(midi % 12)
  return `${writeNote(note, naming)}, ${tone ? `the ${degreeName(tone)}` : 'foreign to the chord'}`
}

const INTERVALS: Readonly<Record<NarrowInterval, string>> = {
  second: 'second',
  'minor-third': 'minor third',
  'third-or-fourth': 'third or fourth',
  fifth: 'fifth',
}

export function registerWord(warning: RegisterWarning, naming: NamingSystem): string {
  switch (warning.kind) {
    case 'muddy':
      return `The ${INTERVALS[warning.interval]} from ${pitchWord(warning.low, naming)} to ${pitchWord(warning.high, naming)} sits low: it is clear from ${pitchWord(warning.clearFrom, naming)} up.`
    case 'bass-range':
      return `${warning.midis.map((midi) => pitchWord(midi, naming)).join(' and ')} ${warning.midis.length === 1 ? 'lies' : 'lie'} in the bass player’s range.`
  }
}

const FINGER_NAMES: Readonly<Record<Finger, string>> = { T: 'thumb', 1: 'index', 2: 'middle', 3: 'ring', 4: 'little' }

const limitWords = (limit: Exclude<HandLimit, { kind: 'fingers' }>): string => {
  const between =
    limit.kind === 'reach' ? 'index to little' : limit.fingers.map((finger) => FINGER_NAMES[finger]).join(' to ')
  return `${between} ${Math.round(limit.mm)} mm, this hand ${Math.round(limit.limitMm)}`
}

/** The verdict in a word or two. */
export function verdictWords(verdict: HandVerdict): string {
  if (verdict.kind === 'easy') return 'comfortable'
  if (verdict.kind === 'stretch') return 'a stretch'
  return verdict.limit.kind === 'fingers' ? 'more than four fingers' : 'beyond reach'
}

/** The verdict with what decides it: "middle to ring 50 mm, this hand 38: a stretch". */
export function reasonWords(verdict: HandVerdict): string {
  if (verdict.kind === 'easy')
    return `${Math.round(verdict.mm)} mm held · comfortable for this hand up to ${Math.round(verdict.limitMm)} mm`
  const words = verdictWords(verdict)
  return verdict.limit.kind === 'fingers' ? words : `${limitWords(verdict.limit)}: ${words}`
}
