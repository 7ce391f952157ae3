/**
 * The slow truth that `searchVoicings` must equal: tries every fret on every string of every set and asks of each
 * shape, from the definitions alone, whether it qualifies.
 */

import { bassDegreeOf, shellOf, soundingSets } from '../chord/index.ts'
import { fingertipMm, soundingMidi } from '../neck/index.ts'
import { type Degree, degreePitchClass, type Midi, pitchClassOf, stepOf } from '../pitch/index.ts'
import type { VoicingQuery } from './query.ts'
import { everyStringSet } from './search.ts'
import type { Frets } from './types.ts'

interface Tone {
  readonly midi: Midi
  readonly degree: Degree
}

export function everyVoicing(query: VoicingQuery): readonly Frets[] {
  const { neck } = query
  const found: Frets[] = []
  for (const set of query.stringSets ?? everyStringSet(neck.open.length)) {
    const choices = set.map((string) => {
      const frets: number[] = query.open === 'never' ? [] : [0]
      for (let fret = 1; fret <= neck.lastFret; fret++)
        if (fret >= query.fretMin && fret <= query.fretMax && fret >= (neck.firstFret[string] as number))
          frets.push(fret)
      return frets
    })
    for (const picked of product(choices)) {
      const frets = neck.open.map((_, string) =>
        set.includes(string) ? (picked[set.indexOf(string)] as number) : null,
      )
      if (qualifies(query, frets)) found.push(frets)
    }
  }
  return found
}

/** The same trying, but only where a tone of the chord lies: a plain search that already knows its notes. */
export function everyVoicingOfTones(query: VoicingQuery): readonly Frets[] {
  const { chord, neck } = query
  const root = pitchClassOf(chord.root)
  const tones = new Set(chord.formula.map((degree) => (root + degreePitchClass(degree)) % 12))
  const found: Frets[] = []
  for (const set of query.stringSets ?? everyStringSet(neck.open.length)) {
    const choices = set.map((string) => {
      const frets: number[] = []
      for (let fret = query.fretMin; fret <= query.fretMax; fret++)
        if (tones.has(soundingMidi(neck, string, fret) % 12)) frets.push(fret)
      return frets
    })
    for (const picked of product(choices)) {
      const frets = neck.open.map((_, string) =>
        set.includes(string) ? (picked[set.indexOf(string)] as number) : null,
      )
      if (qualifies(query, frets)) found.push(frets)
    }
  }
  return found
}

function* product(choices: readonly (readonly number[])[]): Generator<readonly number[]> {
  const [first, ...rest] = choices
  if (first === undefined) yield []
  else for (const one of first) for (const others of product(rest)) yield [one, ...others]
}

function qualifies(query: VoicingQuery, frets: Frets): boolean {
  const { chord, neck } = query
  const slash = bassDegreeOf(chord)
  const foreign = slash !== undefined && !chord.formula.includes(slash)
  const known: readonly Degree[] = foreign ? [...chord.formula, slash] : chord.formula
  const tones: Tone[] = []
  for (const [string, fret] of frets.entries()) {
    if (fret === null) continue
    const midi = soundingMidi(neck, string, fret)
    const degree = known.find((one) => (pitchClassOf(chord.root) + degreePitchClass(one)) % 12 === midi % 12)
    if (degree === undefined || midi < (query.lowest ?? 0) || midi > (query.highest ?? 127)) return false
    tones.push({ midi, degree })
  }
  tones.sort((a, b) => a.midi - b.midi)
  const degrees = tones.map((tone) => tone.degree)
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  const low = Math.min(...pressed)
  const high = Math.max(...pressed)
  if (pressed.length > 0) {
    const reach = fingertipMm(neck.scaleLengthMm, high) - fingertipMm(neck.scaleLengthMm, low)
    if (query.span === undefined ? reach > query.reachLimitMm : high - low > query.span) return false
  }
  if (query.open === 'require' && !frets.includes(0)) return false
  const lowest = query.bass ?? slash
  if (lowest !== undefined && degrees[0] !== lowest) return false
  if (query.top !== undefined && degrees.at(-1) !== query.top) return false
  if (query.topMidi !== undefined && tones.at(-1)?.midi !== query.topMidi) return false
  return tonesMakeTheChord(query, degrees, foreign ? slash : undefined) && stackedAsAsked(query, tones)
}

function tonesMakeTheChord(query: VoicingQuery, degrees: readonly Degree[], foreign: Degree | undefined): boolean {
  const { chord, arrangement, doubling, omit } = query
  const sounded = new Set(degrees)
  if (!doubling && sounded.size < degrees.length) return false
  if (arrangement.kind === 'list') return true
  const equals = (set: readonly Degree[]) => {
    const all = foreign === undefined ? set : [...set, foreign]
    return all.length === sounded.size && all.every((degree) => sounded.has(degree))
  }
  if (omit !== undefined) return equals(chord.formula.filter((degree) => !omit.includes(degree)))
  const school = arrangement.kind === 'named' && arrangement.name === 'shell' ? 'shell' : query.school
  const own = degrees.length - (foreign === undefined ? 0 : 1)
  return [school].flat().some((one) => soundingSets(chord.formula, own, { school: one, doubling }).some(equals))
}

/** Drops, built forwards: close the chord under its top tone, then lower the voices that the name says. */
function droppedFrom(tones: readonly Tone[], drops: readonly number[]): readonly Midi[] {
  const top = tones.at(-1)?.midi as Midi
  const close = tones.map((tone) => top - ((top - tone.midi) % 12)).sort((a, b) => b - a)
  return close.map((midi, index) => (drops.includes(index + 1) ? midi - 12 : midi)).sort((a, b) => a - b)
}

const DROPS = { close: [], 'drop-2': [2], 'drop-3': [3], 'drop-2-4': [2, 4], 'drop-2-3': [2, 3] } as const

function stackedAsAsked(query: VoicingQuery, tones: readonly Tone[]): boolean {
  const { arrangement, chord } = query
  const degrees = tones.map((tone) => tone.degree)
  if (arrangement.kind === 'any') return true
  if (arrangement.kind === 'list') return degrees.join() === arrangement.degrees.join()
  const is = (name: keyof typeof DROPS) => {
    if (new Set(degrees).size < degrees.length || tones.length < 3 || Math.max(0, ...DROPS[name]) > tones.length)
      return false
    return droppedFrom(tones, DROPS[name]).join() === tones.map((tone) => tone.midi).join()
  }
  if (arrangement.name === 'shell') {
    const shell = shellOf(chord.formula)
    const frame = degrees.slice(0, 3)
    const told = shell.length === 3 && degrees[0] === 'R' && shell.every((degree) => frame.includes(degree))
    return told && (degrees.length === 3 || (degrees.length === 4 && stepOf(degrees[3] as Degree) > 7))
  }
  if (arrangement.name === 'spread') {
    if (tones.length < 3) return false
    if (tones.length === 3) return is('drop-2')
    const width = (tones.at(-1)?.midi as Midi) - (tones[0]?.midi as Midi)
    return (
      width > 12 && new Set(degrees).size === degrees.length && !(Object.keys(DROPS) as (keyof typeof DROPS)[]).some(is)
    )
  }
  if (tones.length < 4 && (arrangement.name === 'drop-3' || arrangement.name === 'drop-2-3')) return false
  return is(arrangement.name)
}
