/** Why a place of a map holds no shape: what would have to be given up for one. */
import type { StringSet } from '../neck/index.ts'
import type { Degree } from '../pitch/index.ts'
import { type Frets, fretsAt, searchVoicings, type VoicingQuery } from '../voicing/index.ts'

/**
 * `open`: with open strings only. `frets`: not in the frets that were asked for. `neck`: above the last fret.
 * `several`: more than one of these at once, or beyond reach besides. `nowhere`: on these strings not at all.
 */
export type WhyNone = 'open' | 'frets' | 'neck' | 'several' | 'nowhere'

const OCTAVE = 12

/** Which bass tones a search finds. */
export type BassesFound = (query: VoicingQuery) => ReadonlyMap<Degree, readonly Frets[]>

/** The neck as it would be an octave longer. */
const longer = (query: VoicingQuery): VoicingQuery => {
  const lastFret = query.neck.lastFret + OCTAVE
  return { ...query, neck: { ...query.neck, lastFret }, fretMax: lastFret }
}

/** One search for each reason, and only as long as a place is left without one. */
export function whyNone(
  query: VoicingQuery,
  strings: StringSet,
  missing: readonly Degree[],
  basses: BassesFound,
): ReadonlyMap<Degree, WhyNone> {
  const here: VoicingQuery = { ...query, stringSets: [strings] }
  const wholeNeck = { ...here, fretMin: 1, fretMax: query.neck.lastFret }
  const ways: readonly (readonly [WhyNone, VoicingQuery])[] = [
    ['open', { ...here, open: 'allow' }],
    ['frets', wholeNeck],
    ['neck', longer(wholeNeck)],
    ['several', { ...longer(wholeNeck), open: 'allow', span: query.neck.lastFret + OCTAVE }],
  ]
  const why = new Map<Degree, WhyNone>()
  for (const [reason, wider] of ways) {
    const left = missing.filter((bass) => !why.has(bass))
    if (left.length === 0) break
    const found = basses(wider)
    for (const bass of left) if (found.has(bass)) why.set(bass, reason)
  }
  for (const bass of missing) if (!why.has(bass)) why.set(bass, 'nowhere')
  return why
}

/** What a search finds, by the tone that lies lowest. */
export function byBass(
  query: VoicingQuery,
  bassOf: (frets: Frets) => Degree | undefined,
): ReadonlyMap<Degree, Frets[]> {
  const found = searchVoicings(query)
  const groups = new Map<Degree, Frets[]>()
  for (let row = 0; row < found.count; row++) {
    const frets = fretsAt(found, row)
    const bass = bassOf(frets)
    if (bass === undefined) continue
    const group = groups.get(bass)
    if (group) group.push(frets)
    else groups.set(bass, [frets])
  }
  return groups
}
