/** A voicing in other places: the same arrangement on other strings, the same pitches on other strings or tunings. */

import { fingertipMm, type Neck, type StringSet } from '../neck/index.ts'
import type { Midi } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import { highestPressed, lowestPressed, soundingStrings } from './frets.ts'
import { fretSounding } from './morph.ts'
import type { Frets, Voicing } from './types.ts'
import { voicingOf } from './voicing.ts'

/** Between the outermost pressed fingertips, in mm. */
function spreadMm(neck: Neck, frets: Frets): number {
  const lowest = lowestPressed(frets)
  if (lowest === 0) return 0
  return fingertipMm(neck.scaleLengthMm, highestPressed(frets)) - fingertipMm(neck.scaleLengthMm, lowest)
}

/**
 * Carries a voicing to another set of as many strings: the same intervals between the voices, string by string, at
 * the same pitch or whole octaves away. Every place where the hand can hold it, lowest first.
 * @param reachLimitMm Between the outermost fingertips.
 */
export function carry(voicing: Voicing, to: StringSet, neck: Neck, reachLimitMm: number): readonly Voicing[] {
  const from = soundingStrings(voicing.frets)
  if (from.length !== to.length) return []
  const carried: Voicing[] = []
  for (let octave = -36; octave <= 36; octave += 12) {
    const frets: (number | null)[] = neck.open.map(() => null)
    const fits = to.every((string, index) => {
      const fret = fretSounding(neck, string, (voicing.midis[from[index] as number] as Midi) + octave)
      if (fret === undefined || (fret === 0 && !voicing.frets.includes(0))) return false
      frets[string] = fret
      return true
    })
    if (!fits || spreadMm(neck, frets) > reachLimitMm) continue
    const found = voicingOf(voicing.chord, frets, neck)
    if (found) carried.push(found)
  }
  return carried
}

export interface RelocateOptions {
  /** Between the outermost fingertips, in mm. */
  readonly reachLimitMm: number
  /** Whether a string may ring open. */
  readonly open: boolean
}

/**
 * Every way to sound the very same pitches on a neck, each voice on a string of its own; the given shape among them if
 * the neck is its own. Order: by the strings from the lowest pitch up.
 */
export function samePitches(midis: readonly Midi[], neck: Neck, options: RelocateOptions): readonly Frets[] {
  const rising = [...midis].sort((a, b) => a - b)
  const found: Frets[] = []
  const frets: (number | null)[] = neck.open.map(() => null)
  const place = (voice: number) => {
    if (voice === rising.length) {
      found.push([...frets])
      return
    }
    for (const [string] of neck.open.entries()) {
      if (frets[string] !== null) continue
      const fret = fretSounding(neck, string, requireAt(rising, voice))
      if (fret === undefined || (fret === 0 && !options.open)) continue
      frets[string] = fret
      if (spreadMm(neck, frets) <= options.reachLimitMm) place(voice + 1)
      frets[string] = null
    }
  }
  place(0)
  // A doubled pitch on two strings is one shape, whichever of the two came first.
  return [...new Map(found.map((shape) => [shape.join(), shape])).values()]
}

/** Relocates a voicing: the very same pitches on other strings of the same neck, without the voicing itself. */
export function relocate(voicing: Voicing, neck: Neck, options: RelocateOptions): readonly Voicing[] {
  const midis = voicing.midis.filter((midi): midi is Midi => midi !== null)
  return samePitches(midis, neck, options)
    .filter((frets) => frets.join() !== voicing.frets.join())
    .flatMap((frets) => voicingOf(voicing.chord, frets, neck) ?? [])
}

/** What another tuning makes of the same pitches: where they go, and which of them no string can sound. */
export function samePitchesIn(
  midis: readonly Midi[],
  neck: Neck,
  options: RelocateOptions,
): { readonly shapes: readonly Frets[]; readonly unreachable: readonly Midi[] } {
  const unreachable = midis.filter((midi) =>
    neck.open.every((_, string) => {
      const fret = fretSounding(neck, string, midi)
      return fret === undefined || (fret === 0 && !options.open)
    }),
  )
  return { shapes: unreachable.length > 0 ? [] : samePitches(midis, neck, options), unreachable }
}

/**
 * The same fingers on another neck, string by string from the highest: what they press there.
 * @returns `undefined` when a sounded string or a fret does not exist there.
 */
export function sameFingers(frets: Frets, to: Neck): Frets | undefined {
  const strings = to.open.length
  const moved: (number | null)[] = Array.from({ length: strings }, () => null)
  for (const [string, fret] of frets.entries()) {
    if (fret === null) continue
    const there = string + strings - frets.length
    if (there < 0) return undefined
    if (fret !== 0 && (fret < (to.firstFret[there] as number) || fret > to.lastFret)) return undefined
    moved[there] = fret
  }
  return moved
}
