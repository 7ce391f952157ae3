/** What a lane's shapes are called: in a lane its own root is named first. */
import type { Chord } from '../chord/index.ts'
import { namesOf, type ShapeName, statedFirst } from '../name/index.ts'
import type { Neck } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import type { Frets } from '../voicing/index.ts'

/** Names of all that sounds, ringing strings counted in: the step's chord first, then names over its root, then others. */
export function laneNames(frets: Frets, chord: Chord, neck: Neck): readonly ShapeName[] {
  const names = statedFirst(namesOf(frets, neck, { near: chord }), chord)
  const ownRoot = ({ chord: { root } }: ShapeName) => pitchClassOf(root) === pitchClassOf(chord.root)
  return [...names.filter(ownRoot), ...names.filter((name) => !ownRoot(name))]
}
