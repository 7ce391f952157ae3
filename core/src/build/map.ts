/**
 * A chord's whole territory: for every string set and every tone in the bass the easiest shape, or why there is none.
 *   chord + arrangement ─per string set: searchVoicings→ by bass tone ─rank→ ChordMap
 */
import { type Chord, type Formula, type OmissionSchool, plainestRoot, soundingSets } from '../chord/index.ts'
import { shapeJudge } from '../hand/index.ts'
import type { Neck, StringSet } from '../neck/index.ts'
import { type Degree, pitchClassOf } from '../pitch/index.ts'
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
import { neighbouringSets } from './choices.ts'
import { queryOf } from './shapes.ts'
import type { Build, Setting } from './types.ts'

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

/** The map of a build's chord in its arrangement, within its frets and its hand. */
export function mapOf(build: Build, setting: Setting): ChordMap {
  const plain: Build = { ...build, bass: undefined, top: undefined, strings: undefined }
  const query = queryOf(plain, setting)
  const { neck, chord } = query
  const voices = mapVoices(chord.formula, build.arrangement, setting.school)
  const sets = neighbouringSets(neck.open.length, voices)
  const judge = shapeJudge(neck, setting.hand, { thumb: setting.thumb })
  const read = voicingReader(chord, neck)
  const row = (strings: StringSet): MapRow => {
    const within = groupByBass({ ...query, stringSets: [strings] }, read)
    const anywhere = groupByBass({ ...query, stringSets: [strings], span: neck.lastFret, fretMax: neck.lastFret }, read)
    const cells = bassesOf(chord.formula, voices, setting).map((bass): MapCell => {
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
  return { chord, basses: bassesOf(chord.formula, voices, setting), rows: sets.map(row) }
}

/** The tones that may lie lowest: those that some sounding of the chord on so many strings has. */
function bassesOf(formula: Formula, voices: number, { school }: Setting): readonly Degree[] {
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

export interface Landmark {
  /** 6, 5 or 4, or the three lowest of another neck. */
  readonly string: number
  readonly fret: number
}

/** The nearest root on each of the lowest three strings, open strings too: where the hand looks from. */
export function landmarksOf(voicing: Pick<Voicing, 'frets' | 'chord'>, neck: Neck): readonly Landmark[] {
  const pressed = voicing.frets.filter((fret): fret is number => fret !== null && fret > 0)
  const centre = pressed.length === 0 ? 0 : pressed.reduce((sum, fret) => sum + fret, 0) / pressed.length
  const root = pitchClassOf(voicing.chord.root)
  return [0, 1, 2].flatMap((string): readonly Landmark[] => {
    const nut = neck.nut[string]
    if (nut === undefined) return []
    let nearest: number | undefined
    for (let fret = 0; fret <= neck.lastFret; fret++) {
      const sounds = fret === 0 ? neck.open[string] === nut : fret >= (neck.firstFret[string] as number)
      if (!sounds || (nut + fret) % 12 !== root) continue
      if (nearest === undefined || Math.abs(fret - centre) < Math.abs(nearest - centre)) nearest = fret
    }
    return nearest === undefined ? [] : [{ string: neck.open.length - string, fret: nearest }]
  })
}

/** Open major chords of a neck in standard tuning, by the degree that each fret plays: where most players began. */
const OPEN_FORMS: readonly { readonly name: string; readonly root: number; readonly frets: Frets }[] = [
  { name: 'E', root: 4, frets: [0, 2, 2, 1, 0, 0] },
  { name: 'D', root: 2, frets: [null, null, 0, 2, 3, 2] },
  { name: 'C', root: 0, frets: [null, 3, 2, 0, 1, 0] },
  { name: 'A', root: 9, frets: [null, 0, 2, 2, 2, 0] },
  { name: 'G', root: 7, frets: [3, 2, 0, 0, 0, 3] },
]
const STANDARD_OPEN = '40,45,50,55,59,64'

/**
 * The open form that a shape comes from: the one that, moved up to the shape's root, covers most of its places, a tone
 * altered by a fret counting half.
 * @returns `undefined` on a neck in another tuning than standard.
 */
export function openFormOf(
  voicing: Pick<Voicing, 'frets' | 'chord'>,
  neck: Neck,
): { readonly name: string; readonly fret: number } | undefined {
  if (neck.nut.join() !== STANDARD_OPEN) return undefined
  const root = pitchClassOf(voicing.chord.root)
  let best: { readonly name: string; readonly fret: number; readonly likeness: number } | undefined
  for (const { name, root: own, frets } of OPEN_FORMS)
    for (let moved = (root - own + 12) % 12; moved <= neck.lastFret; moved += 12) {
      const likeness = voicing.frets.reduce<number>((sum, fret, string) => {
        const there = frets[string]
        if (fret === null || there === null || there === undefined) return sum
        const apart = Math.abs(fret - there - moved)
        return sum + (apart === 0 ? 1 : apart === 1 ? 0.5 : -0.5)
      }, 0)
      if (best === undefined || likeness > best.likeness) best = { name, fret: moved, likeness }
    }
  return best && best.likeness > 0 ? { name: best.name, fret: best.fret } : undefined
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
