/** An arpeggio: which tones a way along the neck holds, and the fingers that play them. */

import type { Chord } from '../chord/index.ts'
import { type HandProfile, reachBetweenMm } from '../hand/index.ts'
import type { Neck } from '../neck/index.ts'
import { requireAt } from '../result/index.ts'
import { fingerLine, type LineLimits } from './line.ts'
import { byPitch, chordPlaces, highestPosition, inPosition, lowestPosition } from './places.ts'
import type { Arpeggio, ArpeggioCut, ArpeggioNote, ArpeggioWay, ChordPlace, FingeredLine } from './types.ts'

/** Other lines that are offered beside the best, the best counted in. */
const MOST_LINES = 5
/** A diagonal line climbs at least so many frets for each octave: in fourths, from a root to the next two strings higher. */
const CLIMB_PER_OCTAVE = 2

/** A second place further than a hand's width off the line is another line. */
const HAND_FRETS = 4

export interface ArpeggioOptions {
  /** For pitches that can be had on two strings: the string that the player chose, by MIDI number. */
  readonly chosen?: ReadonlyMap<number, number> | undefined
}

interface Tones {
  /** Low to high, every tone with the places that it may be played on. */
  readonly tones: readonly (readonly ChordPlace[])[]
  readonly limits: LineLimits
  readonly cut?: ArpeggioCut | undefined
  /** Which of the found lines count. */
  readonly accepts?: ((line: FingeredLine) => boolean) | undefined
}

/** @throws RangeError when the way names a string or a place that the neck has not. */
export function arpeggioOf(
  chord: Chord,
  neck: Neck,
  hand: HandProfile,
  way: ArpeggioWay,
  { chosen }: ArpeggioOptions = {},
): Arpeggio {
  const places = chordPlaces(chord, neck)
  const { tones, limits, cut } = tonesOf(places, neck, way)
  const picked = tones.map((all) => {
    const string = chosen?.get(all[0]?.midi ?? -1)
    const there = string === undefined ? [] : all.filter((place) => place.string === string)
    return there.length > 0 ? there : all
  })
  const wanted = fingerLine(picked, neck, hand, limits, MOST_LINES)
  // A choice that leaves no way through the line is given up.
  const lines = wanted.length > 0 ? wanted : fingerLine(tones, neck, hand, limits, MOST_LINES)
  const [best = { notes: [], cost: { shifts: 0, stretches: 0, total: 0 } }] = lines
  const taken = new Set(best.notes.map(keyOf))
  const pressed = best.notes.flatMap(({ fret }) => (fret > 0 ? [fret] : []))
  const near = ({ fret }: ChordPlace) =>
    fret === 0 || (fret >= Math.min(...pressed) - HAND_FRETS && fret <= Math.max(...pressed) + HAND_FRETS)
  return {
    chord,
    way,
    notes: best.notes,
    others: tones.flat().filter((place) => !taken.has(keyOf(place)) && near(place)),
    cost: best.cost,
    widestMm: widestMm(best.notes, neck),
    lines,
    cut,
  }
}

const keyOf = ({ string, fret }: Pick<ChordPlace, 'string' | 'fret'>): string => `${string}:${fret}`

/** From the lowest fret to the highest that the hand presses without moving, at its widest. */
export function widestMm(notes: readonly ArpeggioNote[], neck: Neck): number {
  let widest = 0
  const frets = new Map<number, { low: number; high: number }>()
  for (const [index, { fret, handAt }] of notes.entries()) {
    // A place that the hand comes back to is a new one.
    if (notes[index - 1]?.handAt !== handAt) frets.delete(handAt)
    if (fret === 0) continue
    const before = frets.get(handAt) ?? { low: fret, high: fret }
    const now = { low: Math.min(before.low, fret), high: Math.max(before.high, fret) }
    frets.set(handAt, now)
    widest = Math.max(widest, reachBetweenMm(neck, now.low, now.high))
  }
  return widest
}

function tonesOf(places: readonly ChordPlace[], neck: Neck, way: ArpeggioWay): Tones {
  switch (way.kind) {
    case 'position':
      if (way.at < lowestPosition(neck) || way.at > highestPosition(neck))
        throw new RangeError(`position ${way.at} is not between ${lowestPosition(neck)} and ${highestPosition(neck)}`)
      return { tones: byPitch(inPosition(places, neck, way.at)), limits: { handAt: way.at } }
    case 'one-string':
      requireString(neck, way.string)
      return { tones: byPitch(places.filter(({ string }) => string === way.string)), limits: {} }
    case 'strings': {
      for (const string of way.strings) requireString(neck, string)
      const at = Math.min(Math.max(way.at, lowestPosition(neck)), highestPosition(neck))
      const near = inPosition(places, neck, at).filter(({ string }) => way.strings.includes(string))
      return { tones: byPitch(near), limits: {} }
    }
    case 'two-a-string':
      return twoAString(places, neck, way.at)
    case 'diagonal':
      requireString(neck, way.string)
      return diagonal(places, way)
  }
}

function requireString(neck: Neck, string: number): void {
  if (neck.open[string] === undefined) throw new RangeError(`there is no string ${string} on this neck`)
}

/** Two neighbouring tones of the chord on the lowest string, the next two on the next, and so on while the neck has them. */
function twoAString(places: readonly ChordPlace[], neck: Neck, at: number): Tones {
  const on = (string: number, midi: number) =>
    places.find(
      (place) => place.string === string && place.midi === midi && (place.fret > 0 || at <= lowestPosition(neck)),
    )
  const first = nearest(
    places.filter(({ string, fret }) => string === 0 && fret > 0),
    at,
  )
  if (!first) return { tones: [], limits: {} }
  const pitches = byPitch(places).map(([place]) => (place as ChordPlace).midi)
  const tones: ChordPlace[][] = []
  let next = pitches.indexOf(first.midi)
  for (let string = 0; string < neck.open.length; string++) {
    const pair = [on(string, pitches[next] ?? -1), on(string, pitches[next + 1] ?? -1)]
    const [low, high] = pair
    if (!low || !high)
      return {
        tones,
        limits: {},
        cut: { kind: 'not-both-tones', string },
      }
    tones.push([low], [high])
    next += 2
  }
  return { tones, limits: {} }
}

const nearest = (places: readonly ChordPlace[], at: number): ChordPlace | undefined =>
  places.reduce<ChordPlace | undefined>(
    (best, place) => (best === undefined || Math.abs(place.fret - at) < Math.abs(best.fret - at) ? place : best),
    undefined,
  )

/** From a root upwards, tone by tone, through the roots above it, each of them further up the neck than the one before. */
function diagonal(
  places: readonly ChordPlace[],
  { string, at, octaves }: Extract<ArpeggioWay, { kind: 'diagonal' }>,
): Tones {
  const start = nearest(
    places.filter((place) => place.string === string && place.degree === 'R' && place.fret > 0),
    at,
  )
  if (!start) return { tones: [], limits: {}, cut: { kind: 'no-root', string } }
  const roots: (readonly ChordPlace[])[] = []
  for (let from = start.fret; roots.length < octaves; ) {
    const midi = start.midi + 12 * (roots.length + 1)
    const further = places
      .filter((place) => place.midi === midi && place.fret >= from + CLIMB_PER_OCTAVE)
      .sort((a, b) => a.fret - b.fret)
    const [lowest] = further
    if (!lowest) break
    roots.push(further)
    from = lowest.fret
  }
  if (roots.length === 0) return { tones: [], limits: {}, cut: { kind: 'no-octave', string, fret: start.fret } }
  const top = start.midi + 12 * roots.length
  const rising = byPitch(places.filter(({ fret, midi }) => fret > 0 && midi > start.midi && midi <= top))
  // On the way up a root is no further than it must be, so that the line climbs evenly and not in one leap.
  const tones = rising.map((group) => {
    const octave = (requireAt(group, 0).midi - start.midi) / 12
    return octave === roots.length ? (roots[octave - 1] ?? group) : (roots[octave - 1]?.slice(0, 1) ?? group)
  })
  const cut =
    roots.length < octaves ? { kind: 'fewer-octaves' as const, fit: roots.length, wanted: octaves } : undefined
  return { tones: [[start], ...tones], limits: { onlyUp: true }, cut }
}
