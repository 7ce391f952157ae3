/** Which tones a search may use, and which sets of them make the chord. */
import { bassDegreeOf, type Formula, soundingSets } from '../chord/index.ts'
import { type Degree, degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import type { VoicingQuery } from './query.ts'

export interface ToneTable {
  /** The chord's tones; a foreign slash bass is the last. */
  readonly tones: readonly Degree[]
  readonly formula: Formula
  /** Tone index of each pitch class, −1 where there is none. */
  readonly toneOfPitchClass: Int8Array
  /** The tone that must lie lowest, as an index. */
  readonly bass: number | undefined
}

export function toneTable(query: Pick<VoicingQuery, 'chord' | 'bass'>): ToneTable {
  const { chord } = query
  const slash = bassDegreeOf(chord)
  const tones = slash !== undefined && !chord.formula.includes(slash) ? [...chord.formula, slash] : chord.formula
  const toneOfPitchClass = new Int8Array(12).fill(-1)
  const root = pitchClassOf(chord.root)
  for (const [index, degree] of tones.entries()) toneOfPitchClass[(root + degreePitchClass(degree)) % 12] = index
  const lowest = query.bass ?? slash
  return {
    tones,
    formula: chord.formula,
    toneOfPitchClass,
    bass: lowest === undefined ? undefined : tones.indexOf(lowest),
  }
}

/** The sets of tones, as bit masks over `table.tones`, that may sound together on so many strings. */
export function allowedMasks(query: VoicingQuery, table: ToneTable, voices: number): readonly number[] {
  const { formula, tones } = table
  const foreign = tones.length > formula.length ? 1 << formula.length : 0
  const own = voices - (foreign === 0 ? 0 : 1)
  const maskOf = (degrees: readonly Degree[]) =>
    degrees.reduce((mask, degree) => mask | (1 << tones.indexOf(degree)), foreign)
  const { arrangement, omit, doubling } = query
  if (arrangement.kind === 'list') {
    const asked = new Set(arrangement.degrees)
    if (arrangement.degrees.length !== voices || arrangement.degrees.some((degree) => !tones.includes(degree)))
      return []
    return [arrangement.degrees.reduce((mask, degree) => mask | (1 << tones.indexOf(degree)), 0)].filter(
      () => doubling || asked.size === voices,
    )
  }
  if (omit !== undefined) {
    const sounding = formula.filter((degree) => !omit.includes(degree))
    const fits = doubling ? sounding.length <= own : sounding.length === own
    return fits && sounding.length > 0 ? [maskOf(sounding)] : []
  }
  const school = arrangement.kind === 'named' && arrangement.name === 'shell' ? 'shell' : query.school
  const sets = [school].flat().flatMap((one) => soundingSets(formula, own, { school: one, doubling }))
  return [...new Set(sets.map(maskOf))]
}
