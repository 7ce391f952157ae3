/**
 * Every name of a shape, best first.
 *   Frets + Neck ─soundedTones→ pitch classes and the lowest ─namesOfTones→ ChordName ─degreesIn→ ShapeName
 * Order: what belongs to the known key with its bass first; told before incomplete (over its root a chord is told without
 * its perfect fifth); usual before rare; root in the bass, inversion, foreign bass, an extension in the bass, rootless; then
 * the simpler formula and fewer tones left out. A sound that no catalogue name covers gets one counted from its lowest
 * tone, last.
 */

import { type CatalogueEntry, type Chord, type Formula, formulaKey, writeSymbol } from '../chord/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import {
  type Degree,
  degreePitchClass,
  type PitchClassSet,
  pitchClassOf,
  pitchClassSetOf,
  plainName,
  seenFrom,
  sizeOfSet,
} from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import type { Frets } from '../voicing/index.ts'
import { derivedFormula } from './derive.ts'
import { type Reading, readingsOf } from './nameTable.ts'
import { FOREIGN_DEGREES, plainlySpelled, type SpelledChord, spellChord, spelledOver } from './spelling.ts'
import type { BassRole, ChordName, NamingContext, ShapeName } from './types.ts'

/** The sounded tones of a shape: pitch classes as bits (bit 0 is C), and the lowest of them. */
export interface SoundedTones {
  readonly mask: PitchClassSet
  readonly lowest: number
  /** The lowest tone rings open: what is held above it is heard as a chord over it. */
  readonly openBass: boolean
  /** The next tone above the bass, as a pitch class; the lowest again when there is none. */
  readonly second: number
}

/** Tones that sound alike are named alike: one number for all that names depend on. */
export const soundKey = ({ mask, lowest, openBass, second }: SoundedTones): number =>
  ((mask * 12 + lowest) * 12 + second) * 2 + (openBass ? 1 : 0)

export function soundedTones(frets: Frets, neck: Neck): SoundedTones | undefined {
  let mask = 0
  let lowest = 128
  let openBass = false
  for (let string = 0; string < frets.length; string++) {
    const fret = frets[string]
    if (fret === null || fret === undefined) continue
    const midi = soundingMidi(neck, string, fret)
    mask |= 1 << (midi % 12)
    if (midi >= lowest) continue
    lowest = midi
    openBass = fret === 0
  }
  if (mask === 0) return undefined
  let second = 128
  for (let string = 0; string < frets.length; string++) {
    const fret = frets[string]
    if (fret === null || fret === undefined) continue
    const midi = soundingMidi(neck, string, fret)
    if (midi < second && (midi - lowest) % 12 !== 0) second = midi
  }
  return { mask, lowest: lowest % 12, openBass, second: (second === 128 ? lowest : second) % 12 }
}

/** An upper structure over a foreign bass must be plain to be heard as one: triads, sixths and sevenths. */
const PLAINEST_UPPER = 14

/** Names of sounded tones over their lowest one. Empty when fewer than two different tones sound. */
export function namesOfTones(
  { mask, lowest, openBass, second }: SoundedTones,
  context: NamingContext = {},
): readonly ChordName[] {
  const below = context.bass === undefined ? undefined : pitchClassOf(context.bass)
  const bass = below ?? lowest
  const sounded = below === undefined ? mask : mask | (1 << below)
  if (sizeOfSet(sounded) < 2) return []
  const scale = context.key && pitchClassSetOf(context.key.map(pitchClassOf))
  const found: { readonly name: ChordName; readonly order: number }[] = []
  let told = false

  const add = (root: number, { entry, omitted, told: isTold }: Reading, role: BassRole) => {
    const name = nameWith(spell(root, entry, context), (bass - root + 12) % 12, { omitted, role, derived: false })
    const belongs =
      scale === undefined || ((seenFrom(scale, root) & entry.mask) === entry.mask && ((scale >> bass) & 1) === 1)
    // A grip of its own over a bass: the bass rings open or is somebody else's, or the chord begins with its root.
    const stands = role === 'foreign' && (openBass || below !== undefined || second === root)
    found.push({ name, order: orderOf(name, { entry, isTold, belongs, stands, up: (root - bass + 12) % 12 }) })
    if ((name.complete && role !== 'foreign') || role === 'root') told = true
  }

  for (let root = 0; root < 12; root++) {
    for (const reading of readingsOf(seenFrom(sounded, root)))
      add(root, reading, root === bass ? 'root' : reading.omitted.includes('R') ? 'rootless' : 'inversion')
    // The tones above a bass that is none of them: F over G.
    const upper = seenFrom(sounded & ~(1 << bass), root)
    if (root === bass || sizeOfSet(upper) < 3) continue
    for (const reading of readingsOf(upper))
      if (reading.omitted.length === 0 && reading.entry.rank <= PLAINEST_UPPER) add(root, reading, 'foreign')
  }
  const names = found.sort((a, b) => a.order - b.order).map(({ name }) => name)
  return told ? names : [...names, derivedName(seenFrom(sounded, bass), bass, context)]
}

function spell(root: number, entry: CatalogueEntry, { near, key }: NamingContext): SpelledChord {
  if (near !== undefined && pitchClassOf(near.root) === root) return spelledOver(near.root, entry)
  const inKey = key?.find((note) => pitchClassOf(note) === root)
  return inKey === undefined ? plainlySpelled(root, entry) : spelledOver(inKey, entry)
}

function nameWith(
  spelled: SpelledChord,
  above: number,
  { omitted, role, derived }: Pick<ChordName, 'omitted' | 'role' | 'derived'>,
): ChordName {
  return {
    chord: role === 'inversion' || role === 'foreign' ? requireAt(spelled.over, above) : spelled.chord,
    omitted,
    complete: omitted.length === 0,
    role,
    inversion: spelled.inversion[above] ?? null,
    bass: requireAt(spelled.bass, above),
    derived,
  }
}

interface Standing {
  readonly entry: CatalogueEntry
  readonly isTold: boolean
  readonly belongs: boolean
  /** Of a chord over a foreign bass: it is a grip of its own. */
  readonly stands: boolean
  /** The root above the bass, in semitones: of equal names those of a symmetrical chord go up from the bass. */
  readonly up: number
}

/** One number that orders names: each criterion in digits of its own, the weightiest first. */
const orderOf = (name: ChordName, { entry, isTold, belongs, stands, up }: Standing): number =>
  (belongs ? 0 : 1e9) +
  (name.complete || (isTold && name.role === 'root') ? 0 : 1e8) +
  (entry.rare ? 1e7 : 0) +
  placeOf(name, entry.formula, stands) * 1e6 +
  entry.rank * 1e3 +
  name.omitted.length * 20 +
  up

const isSuspended = (formula: Formula): boolean =>
  formula.length === 3 && (formula.includes('2') || formula.includes('4'))
/** A suspended or an augmented triad may be several chords: over a bass it is rather the chord on it. */
const isPlain = (formula: Formula): boolean =>
  !isSuspended(formula) && !(formula.length === 3 && formula.includes('#5'))

/** By the bass: a slash chord that stands on its own comes before a root-position name with a tone missing. */
function placeOf({ role, complete, inversion }: ChordName, formula: Formula, stands: boolean): number {
  switch (role) {
    case 'root':
      if (complete) return 0
      // Am/C and D5/A are heard before C6 and Asus4 without their fifths.
      return isSuspended(formula) || (formula.length === 4 && formula.includes('6')) ? 3.5 : 2
    case 'foreign':
      return stands && isPlain(formula) ? 1 : 4
    case 'inversion':
      // From the fourth on a 9th, 11th or 13th lies lowest.
      return inversion !== null && inversion > 3 ? 5 : 3
    case 'rootless':
      return 6
  }
}

function derivedName(seen: number, bass: number, { near }: NamingContext): ChordName {
  const root = near !== undefined && pitchClassOf(near.root) === bass ? near.root : plainName(bass)
  return nameWith(spellChord(root, derivedFormula(seen)), 0, { omitted: [], role: 'root', derived: true })
}

/** What each string plays in a chord; `null` for silent strings. Throws when a string sounds outside it. */
export function degreesIn(chord: Chord, frets: Frets, neck: Neck): readonly (Degree | null)[] {
  const root = pitchClassOf(chord.root)
  const bass = chord.bass === undefined ? undefined : pitchClassOf(chord.bass)
  return frets.map((fret, string) => {
    if (fret === null) return null
    const sounding = soundingMidi(neck, string, fret) % 12
    const above = (sounding - root + 12) % 12
    const tone = chord.formula.find((degree) => degreePitchClass(degree) === above)
    if (tone !== undefined) return tone
    if (sounding === bass) return requireAt(FOREIGN_DEGREES, above)
    throw new Error(`string ${string} sounds outside ${writeSymbol(chord)}`)
  })
}

/** Every name of a shape, best first. Empty when fewer than two different tones sound (with the bass below, if any). */
export function namesOf(frets: Frets, neck: Neck, context: NamingContext = {}): readonly ShapeName[] {
  const tones = soundedTones(frets, neck)
  if (tones === undefined) return []
  return namesOfTones(tones, context).map((name) => ({ ...name, degrees: degreesIn(name.chord, frets, neck) }))
}

/** The same names, those of a stated chord first: a shape that is said to be Cmaj9 stays it without its root. */
export function statedFirst<Name extends ChordName>(names: readonly Name[], { root, formula }: Chord): readonly Name[] {
  const isStated = ({ chord }: Name) =>
    pitchClassOf(chord.root) === pitchClassOf(root) && formulaKey(chord.formula) === formulaKey(formula)
  return [...names.filter(isStated), ...names.filter((name) => !isStated(name))]
}

/** What a shape becomes over each of the twelve bass notes: its best name there, from C upwards. */
export function namesOverBasses(frets: Frets, neck: Neck, context: NamingContext = {}): readonly ShapeName[] {
  return Array.from({ length: 12 }, (_, pitchClass) => plainName(pitchClass)).flatMap((bass) => {
    const best = namesOf(frets, neck, { ...context, bass })[0]
    return best ? [best] : []
  })
}
