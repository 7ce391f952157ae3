/** Every shape that a chord may take in a path, each with what it costs by itself. */

import type { Chord } from '../chord/index.ts'
import { BASS_RANGE_BELOW, type Fingering, type HandOnNeck, type Hold, handOn, reachMm } from '../hand/index.ts'
import { fingertipMm, type Neck } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import {
  everyStringSet,
  type Frets,
  fretsAt,
  highestPressed,
  lowestPressed,
  type SoundedTones,
  searchVoicings,
  tonesReader,
} from '../voicing/index.ts'
import type { PathGapReason, PathQuestion, PathShape } from './types.ts'

const ANY = { kind: 'any' } as const

export interface Candidates {
  readonly shapes: readonly PathShape[]
  /** Why there is none, or what stands against what is asked. */
  readonly gap: PathGapReason | undefined
}

/** What was searched; good for every question on the same neck, by the same hand, with the same wishes and weights. */
export interface CandidateMemory {
  readonly hand: HandOnNeck
  /** By chord. */
  readonly searched: Map<string, Searched>
  /** By chord and what is asked of its place. */
  readonly wished: Map<string, Candidates>
  /** By chord and frets. */
  readonly held: Map<string, Candidates>
}

export const candidateMemory = ({ neck, hand, thumb }: PathQuestion): CandidateMemory => ({
  hand: handOn(neck, hand, { thumb }),
  searched: new Map(),
  wished: new Map(),
  held: new Map(),
})

const kept = <Value>(map: Map<string, Value>, name: string, make: () => Value): Value => {
  const before = map.get(name)
  if (before !== undefined) return before
  const now = make()
  map.set(name, now)
  return now
}

/** Gives one chord's candidates after another; what comes again is searched once. */
export function candidatesFor(question: PathQuestion, memory: CandidateMemory): (index: number) => Candidates {
  const heldAt = new Map(question.held.map(({ chord, frets }) => [chord, frets]))
  const { roots } = question.wishes
  return (index) => {
    const chord = requireAt(question.chords, index)
    const name = `${chord.root} ${chord.formula.join()} ${chord.bass ?? ''}`
    const held = heldAt.get(index)
    if (held) return kept(memory.held, `${name}|${held.join()}`, () => heldShape(chord, held, question, memory.hand))
    const place = `${name}|${roots ? index % roots.length : ''}|${question.melody?.[index] ?? ''}`
    return kept(memory.wished, place, () =>
      wished(
        kept(memory.searched, name, () => searched(chord, question, memory.hand)),
        chord,
        index,
        question,
      ),
    )
  }
}

interface Searched {
  readonly shapes: readonly PathShape[]
  /** How many there are, held or not. */
  readonly searched: number
}

function searched(chord: Chord, question: PathQuestion, hand: HandOnNeck): Searched {
  const { neck, wishes } = question
  const sets = wishes.strings ?? everyStringSet(neck.open.length).filter(({ length }) => length === wishes.voices)
  const rows: Frets[] = []
  const known = new Set<string>()
  const tones = chord.formula.length + (chord.bass === undefined ? 0 : 1)
  for (const arrangement of wishes.arrangements.length === 0 ? [ANY] : wishes.arrangements)
    for (const doubling of [false, true]) {
      const stringSets = sets.filter(({ length }) => length > tones === doubling)
      if (stringSets.length === 0) continue
      const all = searchVoicings({
        chord,
        neck,
        stringSets,
        arrangement,
        doubling,
        school: wishes.school,
        fretMin: wishes.fretMin,
        fretMax: wishes.fretMax,
        reachLimitMm: question.hand.stretchMm,
        open: wishes.open,
      })
      // Two arrangements may share a shape; sets with and without doubling are never the same.
      const mayShare = wishes.arrangements.length > 1
      for (let row = 0; row < all.count; row++) {
        const frets = fretsAt(all, row)
        const name = mayShare ? frets.join() : ''
        if (mayShare && known.has(name)) continue
        known.add(name)
        rows.push(frets)
      }
    }
  const read = tonesReader(chord, neck)
  const shapes: PathShape[] = []
  for (const frets of rows) {
    const hold = hand.bestHold(frets)
    const tones = hold && read(frets)
    if (tones) shapes.push(shapeOf(frets, tones, hold, question, hand))
  }
  return { shapes, searched: rows.length }
}

function shapeOf(
  frets: Frets,
  { degrees, midis }: SoundedTones,
  { fingers, effort, isCrowded }: Hold,
  { neck, hand: profile, weights }: PathQuestion,
  hand: HandOnNeck,
): PathShape {
  const reach = reachMm(neck, frets)
  const tenths = (10 * Math.max(0, reach - profile.comfortableMm)) / profile.comfortableMm
  const parts = {
    reach: weights.reach * tenths,
    crowding: isCrowded ? weights.crowding : 0,
    fingers: weights.fingers * effort,
  }
  let fingering: Fingering | undefined
  return {
    frets,
    degrees,
    midis,
    fingers,
    parts,
    // Of some thousand candidates a handful are ever shown.
    get fingering() {
      fingering ??= hand.bestFingering(frets) as Fingering
      return fingering
    },
    reachMm: reach,
    indexMm: indexPlace(frets, fingers, neck),
    cost: parts.reach + parts.crowding + parts.fingers,
  }
}

/** Where the index fingertip rests: at its own fret, else as many frets below the first finger down as it is fingers before it. */
export function indexPlace(frets: Frets, fingers: Fingering['fingers'], { scaleLengthMm }: Neck): number | undefined {
  let first: { finger: number; fret: number } | undefined
  for (let string = 0; string < fingers.length; string++) {
    const finger = fingers[string] ?? null
    const fret = frets[string]
    if (finger === null || finger === 'T' || fret === null || fret === undefined) continue
    if (!first || finger < first.finger) first = { finger, fret }
  }
  if (!first) {
    const lowest = lowestPressed(frets)
    return lowest === 0 ? undefined : fingertipMm(scaleLengthMm, lowest)
  }
  return fingertipMm(scaleLengthMm, Math.max(1, first.fret - (first.finger - 1)))
}

function heldShape(chord: Chord, frets: Frets, question: PathQuestion, hand: HandOnNeck): Candidates {
  const tones = tonesReader(chord, question.neck)(frets)
  if (!tones) return { shapes: [], gap: 'not-it' }
  const hold = hand.bestHold(frets)
  if (!hold) return { shapes: [], gap: 'hand' }
  const { fretMin, fretMax } = question.wishes
  const lowest = lowestPressed(frets)
  const isOutside = (lowest > 0 && lowest < fretMin) || highestPressed(frets) > fretMax
  return { shapes: [shapeOf(frets, tones, hold, question, hand)], gap: isOutside ? 'outside' : undefined }
}

/** What is asked of this chord's place in the tune. The first wish that leaves nothing is the reason. */
function wished(
  { shapes, searched: count }: Searched,
  chord: Chord,
  index: number,
  { wishes, melody }: PathQuestion,
): Candidates {
  if (shapes.length === 0) return { shapes, gap: count === 0 ? 'no-shape' : 'hand' }
  let left = shapes
  const keep = (test: (shape: PathShape) => boolean): boolean => {
    left = left.filter(test)
    return left.length > 0
  }
  const { roots } = wishes
  if (roots && roots.length > 0) {
    const string = roots[index % roots.length] as number
    const root = pitchClassOf(chord.root)
    const lowest = ({ midis }: PathShape) => midis.findIndex((midi) => midi !== null)
    if (!keep((shape) => lowest(shape) === string && (shape.midis[string] as number) % 12 === root))
      return { shapes: [], gap: 'roots' }
  }
  const top = melody?.[index]
  if (top !== undefined && !keep(({ midis }) => Math.max(...midis.map((midi) => midi ?? 0)) === top))
    return { shapes: [], gap: 'melody' }
  if (wishes.aboveBass && !keep(({ midis }) => midis.every((midi) => midi === null || midi >= BASS_RANGE_BELOW)))
    return { shapes: [], gap: 'bass' }
  return { shapes: left, gap: undefined }
}
