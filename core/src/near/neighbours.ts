/** One fret away: the chords that one or two moved tones make of a shape, each by name. */
import { CATALOGUE, formulaKey } from '../chord/index.ts'
import { namesOf, type ShapeName } from '../name/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import { type Frets, fretSounding, type Voicing } from '../voicing/index.ts'
import type { Neighbour, ToneMove } from './types.ts'

/** A tone moves three semitones at most: R → ♯9 is the longest change that players make of one tone. */
export const FARTHEST_MOVE = 3

const RANKS: ReadonlyMap<string, number> = new Map(CATALOGUE.map(({ formula, rank }) => [formulaKey(formula), rank]))
const rankOf = (name: ShapeName): number => RANKS.get(formulaKey(name.chord.formula)) ?? 999

interface Step {
  readonly string: number
  readonly fret: number
  readonly by: number
}

/** Where each sounded string may step to: another pitch class that the shape does not sound yet. */
function stepsOf(voicing: Voicing, neck: Neck): readonly Step[] {
  const sounded = new Set(voicing.midis.flatMap((midi) => (midi === null ? [] : [midi % 12])))
  return voicing.midis.flatMap((midi, string): readonly Step[] => {
    if (midi === null) return []
    const steps: Step[] = []
    for (let by = -FARTHEST_MOVE; by <= FARTHEST_MOVE; by++) {
      const fret = fretSounding(neck, string, midi + by)
      if (by !== 0 && fret !== undefined && !sounded.has((midi + by) % 12)) steps.push({ string, fret, by })
    }
    return steps
  })
}

const sharesRoot = (name: ShapeName, voicing: Voicing): boolean =>
  pitchClassOf(name.chord.root) === pitchClassOf(voicing.chord.root)

/**
 * What is said after a move: a chord of the same root, sounded or left to somebody else; but a root that has become a tone
 * of a diminished seventh chord names that chord.
 */
function nameAfter(names: readonly ShapeName[], voicing: Voicing, frets: Frets, neck: Neck): ShapeName | undefined {
  const usual = names.filter(({ derived }) => !derived)
  const own = usual.find((name) => sharesRoot(name, voicing))
  const symmetrical = usual.filter(({ chord, complete }) => complete && chord.formula.includes('bb7'))
  if (symmetrical.length === 0 || (own !== undefined && own.role !== 'rootless')) return own ?? usual[0]
  const moved = frets.flatMap((fret, string) =>
    fret !== null && fret !== voicing.frets[string] ? [soundingMidi(neck, string, fret) % 12] : [],
  )
  return symmetrical.find(({ chord }) => moved.includes(pitchClassOf(chord.root))) ?? symmetrical[0]
}

function neighbourBy(voicing: Voicing, neck: Neck, steps: readonly Step[]): Neighbour | undefined {
  const frets: (number | null)[] = [...voicing.frets]
  for (const { string, fret } of steps) frets[string] = fret
  const names = namesOf(frets, neck, { near: voicing.chord }).filter((name) => name.role !== 'foreign')
  const name = nameAfter(names, voicing, frets, neck)
  if (name === undefined) return undefined
  const moves = steps.map(({ string, fret, by }): ToneMove => {
    const toDegree = name.degrees[string]
    const fromDegree = voicing.degrees[string]
    if (!toDegree || !fromDegree) throw new Error(`string ${string} moved but does not sound`)
    return { string, from: voicing.frets[string] as number, to: fret, by, fromDegree, toDegree }
  })
  return { frets, moves, name, otherNames: names.filter((other) => other !== name && !other.derived) }
}

const way = (neighbour: Neighbour): number => neighbour.moves.reduce((sum, move) => sum + Math.abs(move.by), 0)

/** Over the same root first, complete ones first, then the shorter way, then the simpler chord. */
function ordered(neighbours: readonly Neighbour[], voicing: Voicing): readonly Neighbour[] {
  const key = (neighbour: Neighbour) =>
    (sharesRoot(neighbour.name, voicing) ? 0 : 1e6) +
    way(neighbour) * 1e4 +
    (neighbour.name.complete ? 0 : 1e3) +
    rankOf(neighbour.name)
  return [...neighbours].sort((a, b) => key(a) - key(b))
}

/** Everything that one moved tone makes of a voicing, by name; moves that make nothing with a name are left away. */
export function oneToneNeighbours(voicing: Voicing, neck: Neck): readonly Neighbour[] {
  return ordered(
    stepsOf(voicing, neck).flatMap((step) => neighbourBy(voicing, neck, [step]) ?? []),
    voicing,
  )
}

/** The same for two tones on two strings, each moved by at most two semitones. */
export function twoToneNeighbours(voicing: Voicing, neck: Neck): readonly Neighbour[] {
  const steps = stepsOf(voicing, neck).filter(({ by }) => Math.abs(by) <= 2)
  const pairs = steps.flatMap((first) =>
    steps.filter((second) => second.string > first.string).map((second) => [first, second] as const),
  )
  return ordered(
    pairs.flatMap((pair) => neighbourBy(voicing, neck, pair) ?? []),
    voicing,
  )
}

/** A tone after a move, told over the chord that it leaves: for a name that follows a dragged tone. */
export function movedName(voicing: Voicing, frets: Frets, neck: Neck): ShapeName | undefined {
  const names = namesOf(frets, neck, { near: voicing.chord }).filter((name) => name.role !== 'foreign')
  return nameAfter(names, voicing, frets, neck) ?? names[0]
}
