/**
 * Checking a claim: does this shape play that chord? Right, right but incomplete, or wrong, with the string that is
 * wrong, what it plays, and what would mend it.
 */
import { CATALOGUE, type Chord, definingDegrees, type Formula, formulaMask, respellRoot } from '../chord/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import {
  type Degree,
  degreePitchClass,
  type Midi,
  type NoteName,
  pitchClassOf,
  plainName,
  spellDegree,
} from '../pitch/index.ts'
import { type Frets, fretSounding, type Voicing, voicingOf } from '../voicing/index.ts'
import { degreeAmong } from './derive.ts'

/** Moving one string to a tone that the claim has. `by` is in frets, up positive. */
export interface Mend {
  readonly fret: number
  readonly by: number
  readonly degree: Degree
  readonly note: NoteName
}

export interface WrongString {
  readonly string: number
  readonly fret: number
  /** `foreign`: the chord does not have this tone. `bass`: it has, but another one is claimed to be lowest. */
  readonly fault: 'foreign' | 'bass'
  readonly degree: Degree
  readonly note: NoteName
  /** The nearest mend, a tone that is still missing before one that sounds already; none within reach of the string. */
  readonly mend: Mend | undefined
}

export type ClaimVerdict =
  | { readonly verdict: 'right'; readonly voicing: Voicing }
  | {
      readonly verdict: 'incomplete'
      readonly voicing: Voicing
      readonly missing: Formula
      /** Of the missing tones, those that make the chord what it is. */
      readonly defining: Formula
      /** Chords over the same root that this shape is just as well. */
      readonly justAsWell: readonly Chord[]
    }
  | { readonly verdict: 'wrong'; readonly wrong: readonly WrongString[]; readonly missing: Formula }

const FARTHEST_MEND = 4

export function checkClaim(chord: Chord, frets: Frets, neck: Neck): ClaimVerdict {
  const root = pitchClassOf(chord.root)
  const sounding = frets.flatMap((fret, string) =>
    fret === null ? [] : [{ string, fret, midi: soundingMidi(neck, string, fret) }],
  )
  const toneAt = (midi: Midi) => chord.formula.find((degree) => (root + degreePitchClass(degree)) % 12 === midi % 12)
  const claimedBass = chord.bass === undefined ? undefined : pitchClassOf(chord.bass)
  const lowest = sounding.reduce<(typeof sounding)[number] | undefined>(
    (low, one) => (low === undefined || one.midi < low.midi ? one : low),
    undefined,
  )
  const sounded = new Set(sounding.map(({ midi }) => toneAt(midi)))
  const missing = chord.formula.filter((degree) => !sounded.has(degree))
  const wrong: WrongString[] = []
  // A bass that is mended stays below the other strings, and what is mended on them above it.
  const aboveBass = Math.min(...sounding.filter((one) => one !== lowest).map(({ midi }) => midi))
  let bassMidi = claimedBass === undefined ? Number.NEGATIVE_INFINITY : (lowest?.midi ?? 0)
  if (claimedBass !== undefined && lowest !== undefined && lowest.midi % 12 !== claimedBass) {
    const target = [{ pitchClass: claimedBass, note: chord.bass as NoteName, weight: 0 }]
    const mend = nearestMend(neck, lowest.string, lowest.midi, target, chord, (to) => to <= aboveBass)
    bassMidi = lowest.midi + (mend?.by ?? 0)
  }
  for (const { string, fret, midi } of sounding) {
    const tone = toneAt(midi)
    const isBass = string === lowest?.string
    if (isBass && claimedBass !== undefined && midi % 12 !== claimedBass) {
      const above = (midi - root + 120) % 12
      const degree = tone ?? degreeAmong(above, formulaMask(chord.formula) | (1 << above))
      wrong.push({
        string,
        fret,
        fault: tone === undefined ? 'foreign' : 'bass',
        degree,
        note: noteAt(chord, degree, midi),
        mend: nearestMend(
          neck,
          string,
          midi,
          [{ pitchClass: claimedBass, note: chord.bass as NoteName, weight: 0 }],
          chord,
          (to) => to <= aboveBass,
        ),
      })
      continue
    }
    // A bass of its own may sound again above.
    if (tone !== undefined || midi % 12 === claimedBass) continue
    const above = (midi - root + 120) % 12
    const degree = degreeAmong(above, formulaMask(chord.formula) | (1 << above))
    const tones = chord.formula.map((one) => ({
      pitchClass: (root + degreePitchClass(one)) % 12,
      note: spellDegree(chord.root, one) as NoteName,
      // Two frets more to a tone that sounds already: the missing one is what the claim lacks.
      weight: missing.includes(one) ? 0 : 2,
    }))
    wrong.push({
      string,
      fret,
      fault: 'foreign',
      degree,
      note: noteAt(chord, degree, midi),
      mend: nearestMend(neck, string, midi, tones, chord, (to) => to >= bassMidi),
    })
  }
  if (wrong.length > 0 || sounding.length === 0) return { verdict: 'wrong', wrong, missing }
  const voicing = voicingOf(chord, frets, neck)
  if (voicing === undefined) throw new Error(`every tone is in the chord, but it is no voicing: ${frets.join()}`)
  if (missing.length === 0) return { verdict: 'right', voicing }
  return {
    verdict: 'incomplete',
    voicing,
    missing,
    defining: definingDegrees(chord.formula).filter((degree) => missing.includes(degree)),
    justAsWell: twinsOf(chord, missing),
  }
}

const noteAt = (chord: Chord, degree: Degree, midi: Midi): NoteName =>
  spellDegree(chord.root, degree) ?? plainName(midi % 12)

function nearestMend(
  neck: Neck,
  string: number,
  midi: Midi,
  targets: readonly { readonly pitchClass: number; readonly note: NoteName; readonly weight: number }[],
  chord: Chord,
  fits: (midi: Midi) => boolean,
): Mend | undefined {
  const root = pitchClassOf(chord.root)
  let best: { readonly mend: Mend; readonly cost: number } | undefined
  for (const { pitchClass, note, weight } of targets)
    for (let by = -FARTHEST_MEND; by <= FARTHEST_MEND; by++) {
      if ((midi + by) % 12 !== pitchClass || !fits(midi + by)) continue
      const fret = fretSounding(neck, string, midi + by)
      if (fret === undefined) continue
      const cost = Math.abs(by) + weight
      if (best !== undefined && best.cost <= cost) continue
      const above = (pitchClass - root + 12) % 12
      const degree =
        chord.formula.find((one) => degreePitchClass(one) === above) ?? degreeAmong(above, formulaMask(chord.formula))
      best = { mend: { fret, by, degree, note }, cost }
    }
  return best?.mend
}

/**
 * Chords of the same root that sound alike once these tones are missing: m7 and m7♭5 without their fifths. Only a
 * fifth may differ, plain or altered: any other missing tone leaves no doubt which chord was meant.
 */
function twinsOf(chord: Chord, missing: Formula): readonly Chord[] {
  if (!missing.some((degree) => degree === '5' || degree === 'b5' || degree === '#5')) return []
  const fifth = (degree: Degree) => degree === '5' || degree === 'b5' || degree === '#5'
  const rest = chord.formula.filter((degree) => !fifth(degree)).join()
  return CATALOGUE.filter(
    ({ formula }) =>
      formula.some(fifth) &&
      formula.join() !== chord.formula.join() &&
      formula.filter((degree) => !fifth(degree)).join() === rest,
  ).map(({ formula }) => ({ root: respellRoot(chord.root, formula), formula }))
}
