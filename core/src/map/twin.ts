/** Another chord that the same tones are known as, so that a shape is not learned twice. */
import { CATALOGUE, type Chord, type Formula, formulaKey, plainestRoot } from '../chord/index.ts'
import {
  alterationOf,
  type Degree,
  degreePitchClass,
  type PitchClassSet,
  pitchClassOf,
  pitchClassSetOf,
  seenFrom,
  spellDegree,
} from '../pitch/index.ts'

/** The plainest usual formula of every set of tones above its root. */
const USUAL: ReadonlyMap<number, Formula> = new Map(
  CATALOGUE.filter(({ rare, formula }) => !rare && formula.length > 2)
    .toReversed()
    .map(({ mask, formula }) => [mask, formula] as const),
)

const isSuspended = (formula: Formula): boolean =>
  !formula.includes('3') && !formula.includes('b3') && (formula.includes('4') || formula.includes('2'))

/**
 * The usual name of sounding tones over another root than the chord's own. Only the tones count, not which lies lowest: all
 * places of a map that sound alike are told as one family. A seventh chord is named rather than the sixth chord of the same
 * tones. What is called by its bass is the exception: a symmetrical chord (Caug over E is Eaug) and a suspended one (Asus2 over
 * E is Esus4); over its own root each keeps the name that was asked for.
 */
export function twinOf(
  { root, formula }: Chord,
  sounding: readonly (Degree | null)[],
  bass: Degree,
): Chord | undefined {
  const degrees = formula.filter((degree) => sounding.includes(degree))
  const own = pitchClassOf(root)
  const asked = formulaKey(formula)
  const set: PitchClassSet = pitchClassSetOf(degrees.map((degree) => (own + degreePitchClass(degree)) % 12))
  const twins = degrees.flatMap((degree): readonly Chord[] => {
    if (degree === 'R') return []
    const pitchClass = (own + degreePitchClass(degree)) % 12
    const usual = USUAL.get(seenFrom(set, pitchClass))
    if (usual === undefined) return []
    if (degree !== bass && (formulaKey(usual) === asked || isSuspended(usual))) return []
    // In the letters of the chord that it is a part of, unless those are too many.
    const spelled = spellDegree(root, degree)
    const plain = spelled !== undefined && Math.abs(alterationOf(spelled)) < 2 ? spelled : undefined
    return [{ root: plain ?? plainestRoot(pitchClass, usual), formula: usual }]
  })
  return twins.find((twin) => !twin.formula.includes('6')) ?? twins[0]
}
