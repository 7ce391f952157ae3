/**
 * The shortest way from one chord to another on the same strings: the fewest semitones in all by which its voices
 * reach a sounding of the target. Searched voice by voice with a bound; `everyChange.testkit.ts` tries them all.
 */

import { type Chord, type Formula, type OmissionSchool, plainestRoot, soundingSets } from '../chord/index.ts'
import type { Neck } from '../neck/index.ts'
import { degreePitchClass, pitchClassOf, pitchClassSetOf } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import {
  type Frets,
  fretSounding,
  movesBetween,
  type StringMove,
  soundingStrings,
  travel,
  type Voicing,
  voicingOf,
} from '../voicing/index.ts'

export interface Change {
  readonly voicing: Voicing
  /** Semitones that all voices move, together. */
  readonly semitones: number
  /** The strings that move. */
  readonly moves: readonly StringMove[]
}

export interface ChangeOptions {
  readonly school: OmissionSchool
  /** How far one voice may move, in semitones. */
  readonly farthest?: number
}

const FARTHEST = 5

/** Sets of pitch classes, as bits, that sound the chord on so many strings; doubled tones allowed. */
function targetMasks(chord: Chord, voices: number, school: OmissionSchool): ReadonlySet<number> {
  const root = pitchClassOf(chord.root)
  return new Set(
    soundingSets(chord.formula, voices, { school, doubling: true }).map((set) =>
      pitchClassSetOf(set.map((degree) => (root + degreePitchClass(degree)) % 12)),
    ),
  )
}

/** All changes to `target` that take the fewest semitones, from the lowest string's lowest fret up. */
export function shortestChanges(
  voicing: Voicing,
  target: Chord,
  neck: Neck,
  { school, farthest = FARTHEST }: ChangeOptions,
): readonly Change[] {
  const strings = soundingStrings(voicing.frets)
  const masks = targetMasks(target, strings.length, school)
  const tones = [...masks].reduce((all, mask) => all | mask, 0)
  const choices = strings.map((string) => {
    const midi = requireAt(voicing.midis, string)
    const steps: { readonly fret: number; readonly by: number; readonly bit: number }[] = []
    for (let by = -farthest; by <= farthest; by++) {
      const bit = 1 << ((midi + by) % 12)
      const fret = (tones & bit) === 0 ? undefined : fretSounding(neck, string, midi + by)
      if (fret !== undefined) steps.push({ fret, by, bit })
    }
    return steps.sort((a, b) => Math.abs(a.by) - Math.abs(b.by))
  })
  let best = Number.POSITIVE_INFINITY
  let found: Frets[] = []
  const frets: (number | null)[] = voicing.frets.map(() => null)
  const walk = (depth: number, mask: number, spent: number) => {
    if (spent > best) return
    const string = strings[depth]
    if (string === undefined) {
      if (!masks.has(mask)) return
      if (spent < best) found = []
      best = spent
      found.push([...frets])
      return
    }
    for (const { fret, by, bit } of choices[depth] ?? []) {
      if (spent + Math.abs(by) > best) break // the choices are sorted: the rest is farther still
      frets[string] = fret
      walk(depth + 1, mask | bit, spent + Math.abs(by))
    }
    frets[string] = null
  }
  walk(0, 0, 0)
  return found
    .map((shape) => changeTo(voicing, target, shape, neck))
    .sort((a, b) => compareFrets(a.voicing.frets, b.voicing.frets))
}

function changeTo(voicing: Voicing, target: Chord, frets: Frets, neck: Neck): Change {
  const reached = voicingOf({ root: target.root, formula: target.formula }, frets, neck)
  if (reached === undefined) throw new Error(`${frets.join()} is no ${target.root} ${target.formula.join(' ')}`)
  return { voicing: reached, moves: movesBetween(voicing, reached), semitones: travel(voicing.midis, reached.midis) }
}

function compareFrets(a: Frets, b: Frets): number {
  for (const [string, fret] of a.entries()) {
    const difference = (fret ?? -1) - (b[string] ?? -1)
    if (difference !== 0) return difference
  }
  return 0
}

/**
 * The shortest changes to a kind of chord over whichever root is nearest: a seventh chord's root moved up a semitone is
 * already a dim7, of another name.
 */
export function shortestChangesToKind(
  voicing: Voicing,
  formula: Formula,
  neck: Neck,
  options: ChangeOptions,
): readonly Change[] {
  const all = Array.from({ length: 12 }, (_, rootClass) =>
    shortestChanges(voicing, { root: plainestRoot(rootClass, formula), formula }, neck, options),
  ).flat()
  const fewest = Math.min(...all.map((change) => change.semitones))
  return all.filter((change) => change.semitones === fewest)
}
