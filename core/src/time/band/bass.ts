/** The bass: a line's table over the chords of the music. */
import { bassDegreeOf, type Chord } from '../../chord/index.ts'
import { degreePitchClass, type Midi, pitchClassOf } from '../../pitch/index.ts'
import { type BassEvent, bassNote } from '../score.ts'
import { BASS_PATTERNS, type BassLine } from './rhythms.ts'

export interface BandChord {
  readonly chord: Chord
  /** Beats (quarter notes) from the start. */
  readonly at: number
  readonly beats: number
  /** The lowest note that the guitar plays to it: the bass stays below. */
  readonly under?: Midi | undefined
}

/** The bass does not go beyond E1 and G3, but for a root that would meet a guitar tuned as low. */
const LOWEST: Midi = 28
const HIGHEST: Midi = 55

/**
 * @param loop After the last chord comes the first.
 * @returns One note after another, none over the next; every chord begins with its root, or with the bass after a slash.
 */
export function bassFor(line: BassLine, chords: readonly BandChord[], loop: boolean): readonly BassEvent[] {
  const { step, tones: numbers, lies, leads, loud } = BASS_PATTERNS[line]
  let before: Midi | undefined
  return chords.flatMap((now, index): readonly BassEvent[] => {
    const { chord, at, beats, under } = now
    const each = step ?? beats
    const count = Math.max(1, Math.ceil(beats / each - 1e-9))
    const next = chords[index + 1] ?? (loop ? chords[0] : undefined)
    const root = rootOf(chord)
    const first = lies === 'near' ? nearest(root, before, under) : bassNote(root, under)
    const tones = tonesOf(chord, numbers)
    return Array.from({ length: count }, (_, place): BassEvent => {
      let midi = first
      if (leads && next && place > 0 && place === count - 1)
        midi = beside(nearest(rootOf(next.chord), before, next.under), before as Midi, under)
      else if (place > 0 && tones.length > 0) {
        const tone = tones[(place - 1) % tones.length] as number
        midi = lies === 'near' ? nearest(tone, before, under) : belowRoot(tone, first, under)
      }
      before = midi
      const start = place * each
      const length = Math.min(each, beats - start)
      return { part: 'bass', at: at + start, length, loud: loud[place % loud.length] as number, midi }
    })
  })
}

const rootOf = (chord: Chord): number => pitchClassOf(chord.bass ?? chord.root)

/** The chord's tones with these numbers, as pitch classes: the first is what it begins with, and only one that is no bass of its own. */
function tonesOf(chord: Chord, numbers: readonly number[]): readonly number[] {
  const root = pitchClassOf(chord.root)
  const bass = bassDegreeOf(chord)
  return numbers.flatMap((number) => {
    if (number === 1) return [rootOf(chord)]
    return chord.formula
      .filter((degree) => degree !== bass && Number(degree.replace(/\D/g, '')) === number)
      .map((degree) => (root + degreePitchClass(degree)) % 12)
  })
}

/** The pitch of a pitch class nearest to where the bass is. */
function nearest(pitchClass: number, before: Midi | undefined, under = Number.POSITIVE_INFINITY): Midi {
  let best = bassNote(pitchClass, under)
  if (before === undefined) return best
  for (let midi = LOWEST; midi <= Math.min(HIGHEST, under - 1); midi++)
    if (midi % 12 === pitchClass && Math.abs(midi - before) < Math.abs(best - before)) best = midi
  return best
}

/** Below the note that the chord began with, where the bass reaches it; else above it, as far as the guitar leaves room. */
function belowRoot(pitchClass: number, first: Midi, under = Number.POSITIVE_INFINITY): Midi {
  const above = first + ((pitchClass - (first % 12) + 12) % 12)
  if (above === first) return first
  return above - 12 >= LOWEST || above >= under ? above - 12 : above
}

/** A semitone below or above, from the side that the bass comes from. */
function beside(target: Midi, from: Midi, under = Number.POSITIVE_INFINITY): Midi {
  const [low, high] = [target - 1, target + 1]
  const fits = (midi: Midi) => midi >= LOWEST && midi <= HIGHEST && midi < under
  const [first, other] = from > target ? [high, low] : [low, high]
  return fits(first) ? first : fits(other) ? other : target
}
