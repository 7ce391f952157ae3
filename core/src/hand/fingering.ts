/**
 * Fingerings: every workable way to press a shape, best first.
 *
 * Notes are taken fret by fret, and from the lowest string to the highest within a fret; fingers are dealt in
 * order, so that none crosses another. One finger presses one note, or lies flat over neighbouring notes of one
 * fret (a barre), if nothing behind it is lower and no open string rings under it. The thumb may take the lowest
 * string. Any two fingers stay within their own stretch limit.
 */
import { fingertipMm, fretSpaceMm, type Neck, stringSpacingMm } from '../neck/index.ts'
import { pairLimitMm } from './profile.ts'
import type { Barre, Finger, Fingering, FingeringCost, HandProfile } from './types.ts'

/** A fingertip is about this wide. */
export const FINGERTIP_WIDTH_MM = 14
/** Of a fret space, this much can't be used: half a tip behind the wire and before the next. */
const FRET_MARGIN_MM = 8

export interface FingeringOptions {
  /** The thumb over the neck on the lowest string: off unless the player wants it. */
  readonly thumb?: boolean
}

interface Note {
  readonly string: number
  readonly fret: number
}

interface Block {
  readonly finger: Finger
  readonly fret: number
  readonly from: number
  readonly to: number
  readonly notes: number
}

export function fingeringsOf(
  neck: Neck,
  frets: readonly (number | null)[],
  profile: HandProfile,
  options: FingeringOptions = {},
): readonly Fingering[] {
  const notes: Note[] = []
  for (const [string, fret] of frets.entries()) if (fret !== null && fret > 0) notes.push({ string, fret })
  notes.sort((a, b) => a.fret - b.fret || a.string - b.string)
  const found: Fingering[] = []
  const blocks: Block[] = []
  const tip = (fret: number) => fingertipMm(neck.scaleLengthMm, fret)

  const reaches = (block: Block): boolean =>
    blocks.every((other) => {
      const apart = Math.abs(tip(block.fret) - tip(other.fret))
      const limit = pairLimitMm(profile, other.finger, block.finger) * (profile.stretchMm / profile.comfortableMm)
      // The thumb lies across the neck: it may sit a fret behind or before the index finger.
      return other.finger === 'T' ? apart <= limit + profile.pairsMm[0] * 0.6 : apart <= limit
    })

  const deal = (at: number, lastFinger: number) => {
    const note = notes[at]
    if (note === undefined) {
      found.push(fingeringFrom(blocks, frets, neck, profile))
      return
    }
    for (let finger = lastFinger + 1; finger <= 4; finger++) {
      let end = at
      do {
        const last = notes[end] as Note
        const block: Block = {
          finger: finger as Finger,
          fret: note.fret,
          from: note.string,
          to: last.string,
          notes: end - at + 1,
        }
        if (block.notes > 1 && !liesFlat(frets, block)) break
        if (reaches(block)) {
          blocks.push(block)
          deal(end + 1, finger)
          blocks.pop()
        }
        end++
      } while (end < notes.length && notes[end]?.fret === note.fret)
    }
  }

  deal(0, 0)
  if (options.thumb) {
    const lowest = notes.reduce<Note | undefined>(
      (best, note) => (best === undefined || note.string < best.string ? note : best),
      undefined,
    )
    if (lowest && lowest.string === 0) {
      notes.splice(notes.indexOf(lowest), 1)
      blocks.push({ finger: 'T', fret: lowest.fret, from: lowest.string, to: lowest.string, notes: 1 })
      deal(0, 0)
    }
  }
  return found.sort((a, b) => a.total - b.total)
}

/** Under a flat finger nothing is stopped lower, and no open string rings. */
function liesFlat(frets: readonly (number | null)[], block: Block): boolean {
  for (let string = block.from; string <= block.to; string++) {
    const fret = frets[string]
    if (fret !== null && fret !== undefined && fret < block.fret) return false
  }
  return true
}

function fingeringFrom(
  blocks: readonly Block[],
  frets: readonly (number | null)[],
  neck: Neck,
  profile: HandProfile,
): Fingering {
  const fingers: (Finger | null)[] = frets.map(() => null)
  const barres: Barre[] = []
  for (const block of blocks) {
    for (let string = block.from; string <= block.to; string++)
      if (frets[string] === block.fret) fingers[string] = block.finger
    if (block.notes > 1) barres.push({ finger: block.finger, fret: block.fret, from: block.from, to: block.to })
  }
  const cost = costOf(blocks, neck, profile)
  return { fingers, barres, cost, total: cost.spread + cost.stretch + cost.barre + cost.fingers + cost.crowding }
}

/** A barre costs by the finger that lies: the index is made for it, the middle hardly. */
const BARRE_COST: Record<Finger, number> = { T: 9, 1: 0.8, 2: 3, 3: 1.8, 4: 2.4 }

function costOf(blocks: readonly Block[], neck: Neck, profile: HandProfile): FingeringCost {
  let spread = 0
  let barre = 0
  let fingers = 0
  const dealt = blocks.filter((block) => block.finger !== 'T')
  for (const [index, block] of dealt.entries()) {
    fingers += 0.25 + (block.finger === 4 ? 0.15 : 0)
    if (block.notes > 1) barre += (BARRE_COST[block.finger] ?? 0) + 0.12 * (block.to - block.from)
    const next = dealt[index + 1]
    if (!next) continue
    const fretGap = next.fret - block.fret
    const fingerGap = (next.finger as number) - (block.finger as number)
    // One finger per fret is rest; fingers packed into a fret, or reaching over one, are work.
    spread += fretGap > fingerGap ? 1.1 * (fretGap - fingerGap) : fretGap < fingerGap ? 0.45 * (fingerGap - fretGap) : 0
    if (fretGap === 0 && fingerGap === 1) spread -= 0.2
  }
  if (blocks.length > dealt.length) fingers += 1.2
  const low = Math.min(...blocks.map((block) => block.fret))
  const high = Math.max(...blocks.map((block) => block.fret))
  const reach = blocks.length === 0 ? 0 : fingertipMm(neck.scaleLengthMm, high) - fingertipMm(neck.scaleLengthMm, low)
  const comfort = profile.comfortableMm
  const stretch = 1.2 * (reach / comfort) ** 2 + (reach > comfort ? ((reach - comfort) / comfort) * 12 : 0)
  return { spread: Math.max(0, spread), stretch, barre, fingers, crowding: 2.5 * crowdedFrets(dealt, neck) }
}

/**
 * How many frets hold three or more single fingertips on neighbouring strings without room for them. Tips of 14 mm
 * on strings some 8 mm apart must stand in zigzag, one behind the other; where the fret space has no room for the
 * zigzag (above about the 12th fret) they no longer fit.
 */
function crowdedFrets(blocks: readonly Block[], neck: Neck): number {
  let crowded = 0
  for (const block of blocks) {
    const row = blocks.filter((other) => other.fret === block.fret && other.notes === 1).map((other) => other.from)
    if (block.notes > 1 || row[0] !== block.from || longestRun(row) < 3) continue
    const spacing = stringSpacingMm(neck, block.fret)
    const zigzag = Math.sqrt(Math.max(0, FINGERTIP_WIDTH_MM ** 2 - spacing ** 2))
    if (zigzag + FRET_MARGIN_MM > fretSpaceMm(neck.scaleLengthMm, block.fret)) crowded++
  }
  return crowded
}

function longestRun(strings: readonly number[]): number {
  let longest = 0
  let run = 0
  for (const [index, string] of strings.entries()) {
    run = index > 0 && string === (strings[index - 1] as number) + 1 ? run + 1 : 1
    longest = Math.max(longest, run)
  }
  return longest
}
