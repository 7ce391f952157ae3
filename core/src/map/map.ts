/**
 * A chord's whole territory: for every string set and every tone in the bass the easiest shape, or why there is none.
 *   chord ─changedChord→ what is searched ─per string set: byBass→ by bass tone ─judged→ MapPlace, or why there is none
 */
import { queryOf } from '../answer/index.ts'
import { type Chord, type Formula, type OmissionSchool, soundingSets } from '../chord/index.ts'
import { type HandOnNeck, handOn, reachMm } from '../hand/index.ts'
import { type Fret, type Neck, type StringIndex, type StringSet, soundingMidi } from '../neck/index.ts'
import { type Degree, degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import { neighbouringSets, type Player, playingOf, type Question } from '../request/index.ts'
import { compactFrets, type TasteReader, tasteReader } from '../taste/index.ts'
import { type ArrangementChoice, type Frets, fretSounding, lowestPressed, type VoicingQuery } from '../voicing/index.ts'
import { type Before, changedArrangement, changedChord, type MapChange } from './change.ts'
import { byBass, type WhyNone, whyNone } from './gaps.ts'
import { twinOf } from './twin.ts'

/** A tone of a place that was another one before the change. */
export interface CameFrom {
  readonly string: StringIndex
  /** Where it stood; `undefined` where the string has no such place. */
  readonly fret: Fret | undefined
  readonly degree: Degree
  /** Semitones that it has gone. */
  readonly by: number
}

export interface MapPlace {
  readonly kind: 'place'
  readonly bass: Degree
  /** The easiest shape here; where the hand reaches none, the one that is least wide. */
  readonly frets: Frets
  readonly degrees: readonly (Degree | null)[]
  readonly reachMm: number
  /** `beyond`: wider than the hand reaches. `fingers`: within reach, but not for four fingers. */
  readonly hold: 'held' | 'fingers' | 'beyond'
  /** Lower is easier; what `beyond` places are is told by their reach alone. */
  readonly score: number
  /** How many more there are here. */
  readonly more: number
  readonly from: readonly CameFrom[]
  /** Another chord that these very tones are known as. */
  readonly twin: Chord | undefined
}

export interface MapGap {
  readonly kind: 'gap'
  readonly bass: Degree
  readonly why: WhyNone
}

export type MapCell = MapPlace | MapGap

export interface MapRow {
  readonly strings: StringSet
  readonly cells: readonly MapCell[]
}

export interface ChordMap {
  /** As it is mapped: changed, if it was. */
  readonly chord: Chord
  readonly basses: readonly Degree[]
  readonly rows: readonly MapRow[]
}

/** The shapes of a row from the nut up: by the lowest finger, then by the bass. */
export const placesOf = ({ cells }: MapRow): readonly MapPlace[] =>
  cells
    .filter((cell) => cell.kind === 'place')
    .toSorted((a, b) => lowestPressed(a.frets) - lowestPressed(b.frets) || sumOf(a.frets) - sumOf(b.frets))

const sumOf = (frets: Frets): number => frets.reduce((sum: number, fret) => sum + (fret ?? 0), 0)

/**
 * How many strings a map's shapes take: as many as the chord has tones, four at most, or the fewest on which the school can
 * tell a larger chord; a shell takes three.
 */
function mapVoices(formula: Formula, arrangement: ArrangementChoice, school: OmissionSchool): number {
  if (arrangement.kind === 'named' && arrangement.name === 'shell') return 3
  if (arrangement.kind === 'list') return arrangement.degrees.length
  for (let voices = Math.min(4, formula.length); voices <= formula.length; voices++)
    if (soundingSets(formula, voices, { school, doubling: false }).length > 0) return voices
  return Math.min(4, formula.length)
}

/** The map of a question's chord in its arrangement, within its frets and its hand; or of what a change makes of it. */
export function mapOf(question: Question, player: Player, change: MapChange = { kind: 'none' }): ChordMap {
  const changed = changedChord(question.chord, question.arrangement, change, player.school, question.omit)
  const { chord, omit, school, added, before } = changed
  const arrangement = changedArrangement(question.arrangement, changed)
  const query: VoicingQuery = {
    ...queryOf({ ...question, chord, arrangement, omit, bass: undefined, top: undefined, strings: undefined }, player),
    school,
    // A map gives a string to every tone: none comes twice.
    doubling: arrangement.kind === 'list' && new Set(arrangement.degrees).size < arrangement.degrees.length,
  }
  const { neck } = query
  const plainVoices = mapVoices(chord.formula, arrangement, school)
  const voices =
    omit !== undefined ? chord.formula.length - omit.length : added !== undefined && plainVoices === 3 ? 4 : plainVoices
  const sounding = omit !== undefined ? [chord.formula.filter((degree) => !omit.includes(degree))] : undefined
  const basses = sounding?.[0] ?? bassesOf(chord.formula, voices, school)
  const hand = handOn(neck, player.hand, { thumb: player.thumb })
  // Every place has its own bass, and nothing is strummed where each tone has its string.
  const reader = tasteReader(chord, neck, player.hand, {
    ...playingOf(question, player),
    manner: 'comp',
    open: query.open,
    bassAsked: true,
  })
  const degreeAt = degreeReader(chord, neck)
  const bassOf = (frets: Frets): Degree | undefined => {
    const degrees = degreesOf(frets, degreeAt)
    if (added !== undefined && !degrees.includes(added)) return undefined
    return degrees[lowestSounding(frets, neck)] ?? undefined
  }
  const told = (frets: Frets, bass: Degree, more: number, hold: MapPlace['hold'], score: number): MapPlace => {
    const degrees = degreesOf(frets, degreeAt)
    const from = cameFrom(frets, degrees, before, neck)
    return {
      kind: 'place',
      bass,
      frets,
      degrees,
      reachMm: reachMm(neck, frets),
      hold,
      score,
      more,
      from,
      twin: twinIn(degrees, bass),
    }
  }
  // Shapes that sound the same tones over the same bass are known as the same.
  const twins = new Map<string, Chord | undefined>()
  const twinIn = (degrees: readonly (Degree | null)[], bass: Degree): Chord | undefined => {
    const key = `${chord.formula.filter((degree) => degrees.includes(degree)).join()} ${bass}`
    if (!twins.has(key)) twins.set(key, twinOf(chord, degrees, bass))
    return twins.get(key)
  }
  const row = (strings: StringSet): MapRow => {
    const here: VoicingQuery = { ...query, stringSets: [strings] }
    const within = byBass(here, bassOf)
    const isMissing = (bass: Degree) => !within.has(bass)
    // Only where something is missing is it looked for how far away it would be.
    const wide = basses.some(isMissing) ? byBass({ ...here, span: neck.lastFret }, bassOf) : within
    const gone = basses.filter((bass) => !wide.has(bass))
    const why = gone.length > 0 ? whyNone(query, strings, gone, (wider) => byBass(wider, bassOf)) : undefined
    const cells = basses.map((bass): MapCell => {
      const found = within.get(bass)
      if (found) {
        const best = bestOf(found, reader, hand)
        const isWide = reachMm(neck, best.frets) > player.hand.stretchMm
        const hold = best.isHeld ? 'held' : isWide ? 'beyond' : 'fingers'
        return told(best.frets, bass, found.length - 1, hold, best.total)
      }
      const beyond = wide.get(bass)
      if (!beyond) return { kind: 'gap', bass, why: why?.get(bass) ?? 'nowhere' }
      const least = beyond.reduce((best, one) => (reachMm(neck, one) < reachMm(neck, best) ? one : best))
      return told(least, bass, beyond.length - 1, 'beyond', Number.POSITIVE_INFINITY)
    })
    return { strings, cells }
  }
  return { chord, basses, rows: neighbouringSets(neck.open.length, voices).map(row) }
}

/** The shape that a player takes first; of equal ones the first that was found. */
function bestOf(
  found: readonly Frets[],
  reader: TasteReader,
  { bestHold }: HandOnNeck,
): { readonly frets: Frets; readonly isHeld: boolean; readonly total: number } {
  const all = found.map((frets) => {
    const hold = bestHold(frets)
    return { frets, isHeld: hold !== undefined, total: reader.total(compactFrets(frets), 0, hold) }
  })
  return all.reduce((best, one) => (one.total < best.total ? one : best))
}

/** An inversion is looked at after the root position, unless that lies much worse. */
const INVERTED = 1

/** Where the map is opened: at the place that a player takes first. */
export function easiestPlace({ rows }: ChordMap): MapPlace | undefined {
  const cost = ({ bass, score }: MapPlace) => score + (bass === 'R' ? 0 : INVERTED)
  return rows
    .flatMap(placesOf)
    .reduce<MapPlace | undefined>((best, one) => (best === undefined || cost(one) < cost(best) ? one : best), undefined)
}

const lowestSounding = (frets: Frets, neck: Neck): StringIndex => {
  let at = -1
  let least = Number.POSITIVE_INFINITY
  for (const [string, fret] of frets.entries()) {
    const midi = fret === null ? least : soundingMidi(neck, string, fret)
    if (midi < least) {
      least = midi
      at = string
    }
  }
  return at
}

function degreeReader({ root, formula }: Chord, neck: Neck): (string: StringIndex, fret: Fret) => Degree | null {
  const own = pitchClassOf(root)
  const byPitch = Array.from({ length: 12 }, (_, pitch) =>
    formula.find((degree) => degreePitchClass(degree) === (pitch - own + 12) % 12),
  )
  return (string, fret) => byPitch[soundingMidi(neck, string, fret) % 12] ?? null
}

const degreesOf = (
  frets: Frets,
  degreeAt: (string: StringIndex, fret: Fret) => Degree | null,
): readonly (Degree | null)[] => frets.map((fret, string) => (fret === null ? null : degreeAt(string, fret)))

function cameFrom(
  frets: Frets,
  degrees: readonly (Degree | null)[],
  before: ReadonlyMap<Degree, Before>,
  neck: Neck,
): readonly CameFrom[] {
  return degrees.flatMap((degree, string): readonly CameFrom[] => {
    const fret = frets[string]
    const was = degree === null ? undefined : before.get(degree)
    if (!was || fret === null || fret === undefined) return []
    const there = fretSounding(neck, string, soundingMidi(neck, string, fret) - was.by)
    return [{ string, fret: there, degree: was.degree, by: was.by }]
  })
}

/** The tones that may lie lowest: those that some sounding of the chord on so many strings has. */
function bassesOf(formula: Formula, voices: number, school: OmissionSchool): readonly Degree[] {
  const sets = soundingSets(formula, voices, { school, doubling: false })
  const shells = sets.length > 0 ? sets : soundingSets(formula, voices, { school: 'shell', doubling: false })
  return formula.filter((degree) => shells.length === 0 || shells.some((set) => set.includes(degree)))
}
