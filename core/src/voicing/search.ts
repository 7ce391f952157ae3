/**
 * Voicing search: from a chord, a neck and any mix of wishes to every voicing that qualifies, each exactly once.
 *   VoicingQuery ─toneTable→ tones ─per string set: allowedMasks, walk→ rows of frets ─voicingAt→ Voicing
 * Order: string sets as given (or by size, lowest strings first), then rising frets from the lowest string.
 * The walk is written for speed: it keeps the hand's window while it goes from string to string, and allocates
 * nothing inside. `everyVoicing.testkit.ts` is the slow truth that it must equal.
 */

import { shellOf } from '../chord/index.ts'
import { fingertipMm, type StringSet } from '../neck/index.ts'
import { type Degree, sizeOfSet, stepOf } from '../pitch/index.ts'
import { type ArrangementChoice, dropPattern } from './arrangement.ts'
import type { SearchCut, VoicingQuery, VoicingsFound } from './query.ts'
import { allowedMasks, type ToneTable, toneTable } from './tones.ts'

export const MOST_VOICINGS = 200_000
const SILENT = -1
const LOOK_EVERY = 4096

/** Every set of at least two strings, smaller sets first, lowest strings first. */
export function everyStringSet(strings: number): readonly StringSet[] {
  const sets: StringSet[] = []
  for (let mask = 1; mask < 1 << strings; mask++) {
    const set = Array.from({ length: strings }, (_, index) => index).filter((index) => (mask >> index) & 1)
    if (set.length > 1) sets.push(set)
  }
  return sets.sort((a, b) => a.length - b.length || compareSets(a, b))
}

function compareSets(a: StringSet, b: StringSet): number {
  for (let index = 0; index < a.length; index++) {
    const difference = (a[index] as number) - (b[index] as number)
    if (difference !== 0) return difference
  }
  return 0
}

/** For each fret: the highest fret that the same hand still reaches, and the lowest. */
function handWindows(query: VoicingQuery): { readonly reachUp: Int16Array; readonly reachDown: Int16Array } {
  const { neck, span, reachLimitMm } = query
  const frets = neck.lastFret
  const reachUp = new Int16Array(frets + 1)
  const reachDown = new Int16Array(frets + 1)
  const tip = Array.from({ length: frets + 1 }, (_, fret) => fingertipMm(neck.scaleLengthMm, fret))
  const together = (low: number, high: number) =>
    span === undefined ? (tip[high] as number) - (tip[low] as number) <= reachLimitMm : high - low <= span
  for (let fret = 1; fret <= frets; fret++) {
    let up = fret
    while (up < frets && together(fret, up + 1)) up++
    reachUp[fret] = up
    let down = fret
    while (down > 1 && together(down - 1, fret)) down--
    reachDown[fret] = down
  }
  return { reachUp, reachDown }
}

interface Candidates {
  readonly frets: Int8Array
  readonly tones: Int8Array
  readonly midis: Uint8Array
}

/** Where each tone lies on one string, frets rising; an allowed open string comes first. */
function candidatesOn(query: VoicingQuery, table: ToneTable, index: number): Candidates {
  const { neck } = query
  const frets: number[] = []
  const midis: number[] = []
  const take = (fret: number, midi: number) => {
    const tone = table.toneOfPitchClass[midi % 12] as number
    if (tone < 0 || midi < (query.lowest ?? 0) || midi > (query.highest ?? 127)) return
    frets.push(fret)
    midis.push(midi)
  }
  if (query.open !== 'never') take(0, neck.open[index] as number)
  const last = Math.min(query.fretMax, neck.lastFret)
  for (let fret = Math.max(query.fretMin, neck.firstFret[index] as number); fret <= last; fret++)
    take(fret, (neck.nut[index] as number) + fret)
  return {
    frets: Int8Array.from(frets),
    midis: Uint8Array.from(midis),
    tones: Int8Array.from(midis, (midi) => table.toneOfPitchClass[midi % 12] as number),
  }
}

/** How the arrangement is checked on pitches alone, so that the walk needs no values. */
function stackTest(
  choice: ArrangementChoice,
  table: ToneTable,
): (midis: Uint8Array, tones: Int8Array, voices: number) => boolean {
  if (choice.kind === 'any') return () => true
  if (choice.kind === 'list') {
    const wanted = choice.degrees.map((degree) => table.tones.indexOf(degree))
    return (_midis, tones, voices) => {
      for (let voice = 0; voice < voices; voice++) if (tones[voice] !== wanted[voice]) return false
      return true
    }
  }
  const wide = (midis: Uint8Array, tones: Int8Array, voices: number) => {
    let seen = 0
    for (let voice = 0; voice < voices; voice++) {
      const bit = 1 << (tones[voice] as number)
      if ((seen & bit) !== 0) return false
      seen |= bit
    }
    return (midis[voices - 1] as number) - (midis[0] as number) > 12
  }
  switch (choice.name) {
    case 'close':
      return (midis, _tones, voices) => voices > 2 && dropPattern(midis, voices) === 0
    case 'drop-2':
      return (midis, _tones, voices) => voices > 2 && dropPattern(midis, voices) === 0b001
    case 'drop-3':
      return (midis, _tones, voices) => voices > 3 && dropPattern(midis, voices) === 0b010
    case 'drop-2-4':
      return (midis, _tones, voices) => voices > 3 && dropPattern(midis, voices) === 0b101
    case 'drop-2-3':
      return (midis, _tones, voices) => voices > 3 && dropPattern(midis, voices) === 0b011
    case 'spread':
      return (midis, tones, voices) => {
        if (voices < 3) return false
        const pattern = dropPattern(midis, voices)
        if (voices === 3) return pattern === 0b001
        return (
          wide(midis, tones, voices) && pattern !== 0b001 && pattern !== 0b010 && pattern !== 0b101 && pattern !== 0b011
        )
      }
    case 'shell': {
      const shell = shellOf(table.formula).map((degree) => table.tones.indexOf(degree))
      const root = table.tones.indexOf('R')
      const extension = table.tones.map((degree: Degree) => stepOf(degree) > 7)
      return (_midis, tones, voices) => {
        if (shell.length !== 3 || voices < 3 || voices > 4 || tones[0] !== root || tones[1] === tones[2]) return false
        if (!shell.includes(tones[1] as number) || !shell.includes(tones[2] as number)) return false
        if (tones[1] === root || tones[2] === root) return false
        return voices === 3 || extension[tones[3] as number] === true
      }
    }
  }
}

export function searchVoicings(query: VoicingQuery): VoicingsFound {
  const { neck, doubling } = query
  const strings = neck.open.length
  const table = toneTable(query)
  const { reachUp, reachDown } = handWindows(query)
  const onString = neck.open.map((_, index) => candidatesOn(query, table, index))
  const stack = stackTest(query.arrangement, table)
  const bass = table.bass
  const top = query.top === undefined ? undefined : table.tones.indexOf(query.top)
  const foreign = table.tones.length > table.formula.length
  const needsOpen = query.open === 'require'

  let rows = new Int8Array(strings * 256)
  let count = 0
  let cut: SearchCut | undefined
  const mostRows = Math.min(MOST_VOICINGS, query.budget?.rows ?? MOST_VOICINGS)
  const { steps = Number.POSITIVE_INFINITY, isOver } = query.budget ?? {}
  let spent = 0
  // Counted down to the next look at the budget, so that the walk itself stays cheap.
  let untilLook = LOOK_EVERY
  const row = new Int8Array(strings).fill(SILENT)
  const sortedMidis = new Uint8Array(strings)
  const sortedTones = new Int8Array(strings)
  const allowed = new Uint8Array(1 << table.tones.length)
  const soundingMidis = new Uint8Array(strings)
  const soundingTones = new Int8Array(strings)

  const keep = () => {
    if (count === mostRows) {
      cut = 'rows'
      return
    }
    if ((count + 1) * strings > rows.length) {
      const larger = new Int8Array(rows.length * 2)
      larger.set(rows)
      rows = larger
    }
    rows.set(row, count * strings)
    count++
  }

  const look = () => {
    spent += LOOK_EVERY
    untilLook = LOOK_EVERY
    if (spent >= steps) cut ??= 'steps'
    else if (isOver?.()) cut ??= 'time'
  }

  const qualifies = (voices: number): boolean => {
    // Insertion sort: strings rise in pitch as a rule, so it is nearly always done at once.
    for (let voice = 0; voice < voices; voice++) {
      const midi = soundingMidis[voice] as number
      const tone = soundingTones[voice] as number
      let at = voice
      while (at > 0 && (sortedMidis[at - 1] as number) > midi) {
        sortedMidis[at] = sortedMidis[at - 1] as number
        sortedTones[at] = sortedTones[at - 1] as number
        at--
      }
      sortedMidis[at] = midi
      sortedTones[at] = tone
    }
    if (bass !== undefined && sortedTones[0] !== bass) return false
    if (top !== undefined && sortedTones[voices - 1] !== top) return false
    if (query.topMidi !== undefined && sortedMidis[voices - 1] !== query.topMidi) return false
    return stack(sortedMidis, sortedTones, voices)
  }

  const walk = (
    set: StringSet,
    depth: number,
    mask: number,
    low: number,
    high: number,
    opens: number,
    needed: number,
  ) => {
    const voices = set.length
    if (depth === voices) {
      if (allowed[mask] === 1 && (!needsOpen || opens > 0) && qualifies(voices)) keep()
      return
    }
    const index = set[depth] as number
    const { frets, tones, midis } = onString[index] as Candidates
    const from = high === 0 ? 1 : (reachDown[high] as number)
    const to = low === 0 ? neck.lastFret : (reachUp[low] as number)
    const left = voices - depth - 1
    for (let at = 0; at < frets.length; at++) {
      if (--untilLook === 0) look()
      if (cut !== undefined) break
      const fret = frets[at] as number
      if (fret !== 0) {
        if (fret < from) continue
        if (fret > to) break
      }
      const bit = 1 << (tones[at] as number)
      if (!doubling && (mask & bit) !== 0 && query.arrangement.kind !== 'list') continue
      const nextMask = mask | bit
      if (sizeOfSet(needed & ~nextMask) > left) continue // too few strings left to complete the chord
      row[index] = fret
      soundingMidis[depth] = midis[at] as number
      soundingTones[depth] = tones[at] as number
      const nextLow = fret === 0 ? low : low === 0 || fret < low ? fret : low
      const nextHigh = fret > high ? fret : high
      walk(set, depth + 1, nextMask, nextLow, nextHigh, fret === 0 ? opens + 1 : opens, needed)
    }
    row[index] = SILENT
  }

  for (const set of query.stringSets ?? everyStringSet(strings)) {
    const masks = allowedMasks(query, table, set.length)
    if (masks.length === 0 || (foreign && bass === undefined)) continue
    allowed.fill(0)
    let needed = (1 << table.tones.length) - 1
    for (const mask of masks) {
      allowed[mask] = 1
      needed &= mask
    }
    row.fill(SILENT)
    walk(set, 0, 0, 0, 0, 0, needed)
    if (cut !== undefined) break
  }
  return { strings, count, frets: rows.slice(0, count * strings), cut }
}
