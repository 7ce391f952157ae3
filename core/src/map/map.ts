/**
 * A chord's whole territory: for every string set and every tone in the bass the easiest shape, or why there is none.
 *   chord + arrangement ─per string set: searchVoicings→ by bass tone ─rank→ ChordMap
 */

import { queryOf } from '../answer/index.ts'
import { type Chord, type Formula, type OmissionSchool, plainestRoot, soundingSets } from '../chord/index.ts'
import { shapeJudge } from '../hand/index.ts'
import type { Neck, StringSet } from '../neck/index.ts'
import { type Degree, pitchClassOf } from '../pitch/index.ts'
import { neighbouringSets, type Player, type Question } from '../request/index.ts'
import {
  type ArrangementChoice,
  type Frets,
  fretsAt,
  searchVoicings,
  slide,
  type Voicing,
  type VoicingQuery,
  voicingReader,
} from '../voicing/index.ts'

export interface MapCell {
  readonly bass: Degree
  /** The easiest shape; `undefined` where there is none. */
  readonly frets: Frets | undefined
  readonly degrees: readonly (Degree | null)[]
  readonly reachMm: number
  /** Whether four fingers can hold it. */
  readonly playable: boolean
  /** How many more there are here. */
  readonly more: number
  /** `reach`: it exists, but not within this hand's reach. `nowhere`: not on these strings of this neck. */
  readonly none: 'reach' | 'nowhere' | undefined
}

export interface MapRow {
  readonly strings: StringSet
  readonly cells: readonly MapCell[]
}

export interface ChordMap {
  readonly chord: Chord
  readonly basses: readonly Degree[]
  readonly rows: readonly MapRow[]
}

/**
 * How many strings a map's shapes take: as many as the chord has tones, four at most, or the fewest on which the school can
 * tell a larger chord; a shell takes three.
 */
function mapVoices(formula: Formula, arrangement: ArrangementChoice, school: OmissionSchool): number {
  if (arrangement.kind === 'named' && arrangement.name === 'shell') return 3
  for (let voices = Math.min(4, formula.length); voices <= formula.length; voices++)
    if (soundingSets(formula, voices, { school, doubling: false }).length > 0) return voices
  return Math.min(4, formula.length)
}

/** The map of a question's chord in its arrangement, within its frets and its hand. */
export function mapOf(question: Question, player: Player): ChordMap {
  const plain: Question = { ...question, bass: undefined, top: undefined, strings: undefined }
  const query = queryOf(plain, player)
  const { neck, chord } = query
  const voices = mapVoices(chord.formula, question.arrangement, player.school)
  const sets = neighbouringSets(neck.open.length, voices)
  const judge = shapeJudge(neck, player.hand, { chord, thumb: player.thumb, bassAsked: true, stringsAsked: true })
  const read = voicingReader(chord, neck)
  const row = (strings: StringSet): MapRow => {
    const within = groupByBass({ ...query, stringSets: [strings] }, read)
    const anywhere = groupByBass({ ...query, stringSets: [strings], span: neck.lastFret, fretMax: neck.lastFret }, read)
    const cells = bassesOf(chord.formula, voices, player).map((bass): MapCell => {
      const ranked = (within.get(bass) ?? []).map((frets) => judge(frets)).sort((a, b) => a.score.total - b.score.total)
      const [best] = ranked
      if (best === undefined)
        return {
          bass,
          frets: undefined,
          degrees: [],
          reachMm: 0,
          playable: false,
          more: 0,
          none: anywhere.has(bass) ? 'reach' : 'nowhere',
        }
      return {
        bass,
        frets: best.frets,
        degrees: read(best.frets)?.degrees ?? [],
        reachMm: best.reachMm,
        playable: best.fingering !== undefined,
        more: ranked.length - 1,
        none: undefined,
      }
    })
    return { strings, cells }
  }
  return { chord, basses: bassesOf(chord.formula, voices, player), rows: sets.map(row) }
}

/** The tones that may lie lowest: those that some sounding of the chord on so many strings has. */
function bassesOf(formula: Formula, voices: number, { school }: Player): readonly Degree[] {
  const sets = soundingSets(formula, voices, { school, doubling: false })
  const shells = sets.length > 0 ? sets : soundingSets(formula, voices, { school: 'shell', doubling: false })
  return formula.filter((degree) => shells.length === 0 || shells.some((set) => set.includes(degree)))
}

function groupByBass(
  query: VoicingQuery,
  read: (frets: Frets) => Voicing | undefined,
): ReadonlyMap<Degree, readonly Frets[]> {
  const found = searchVoicings(query)
  const groups = new Map<Degree, Frets[]>()
  for (let row = 0; row < found.count; row++) {
    const frets = fretsAt(found, row)
    const bass = read(frets)?.arrangement.degrees[0]
    if (bass === undefined) continue
    const group = groups.get(bass)
    if (group) group.push(frets)
    else groups.set(bass, [frets])
  }
  return groups
}

/** The same shape in all twelve keys, from its own root up in fifths; without the keys that the neck does not hold. */
export function inAllKeys(
  voicing: Pick<Voicing, 'frets' | 'chord'>,
  neck: Neck,
): readonly { readonly chord: Chord; readonly frets: Frets }[] {
  const { chord, frets } = voicing
  return Array.from({ length: 12 }, (_, step) => (step * 7) % 12).flatMap((up) => {
    const moved = slide(frets, neck, up) ?? slide(frets, neck, up - 12)
    if (!moved) return []
    const root = plainestRoot((pitchClassOf(chord.root) + up) % 12, chord.formula)
    return [{ chord: { root, formula: chord.formula }, frets: moved }]
  })
}
