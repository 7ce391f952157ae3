/** What bass and drums play to a tune: roots or a walking line, and a beat for each style. */
import { bassDegreeOf, type Chord } from '../chord/index.ts'
import { degreePitchClass, type Midi, pitchClassOf } from '../pitch/index.ts'
import { beatsInBar, type Metre } from './metre.ts'
import { type BassEvent, bassNote, type Drum, type DrumEvent, plainBeat } from './score.ts'

export interface BandBar {
  /** Beats (quarter notes) from the start. */
  readonly at: number
  readonly metre: Metre
}
export interface BandChord {
  readonly chord: Chord
  readonly at: number
  readonly beats: number
}
export const BASS_LINES = ['roots', 'walking'] as const
export type BassLine = (typeof BASS_LINES)[number]
export type DrumStyle = 'straight' | 'swing' | 'waltz' | 'bossa' | 'ballad'

/** One bar of a style, by drum: beats from the bar's start, and how loud. */
type Beat = readonly (readonly [Drum, readonly number[], number])[]

/** The second eighth of a swung beat, as in triplets. */
const SWUNG = 2 / 3
const BEATS: Readonly<Record<Exclude<DrumStyle, 'straight'>, Beat>> = {
  swing: [
    ['hat', [0, 1, 1 + SWUNG, 2, 3, 3 + SWUNG], 0.5],
    ['kick', [0, 2], 0.4],
    ['snare', [1, 3], 0.3],
  ],
  waltz: [
    ['kick', [0], 0.8],
    ['hat', [0, 1, 2], 0.45],
    ['snare', [1, 2], 0.3],
  ],
  bossa: [
    ['kick', [0, 1.5, 2, 3.5], 0.6],
    ['snare', [0, 1.5, 3], 0.3],
    ['hat', [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5], 0.3],
  ],
  ballad: [
    ['kick', [0, 2.5], 0.5],
    ['snare', [2], 0.35],
    ['hat', [0, 1, 2, 3], 0.35],
  ],
}

/** A style in another metre keeps what falls inside the bar. */
export function drumsFor(style: DrumStyle, bars: readonly BandBar[]): readonly DrumEvent[] {
  return bars.flatMap(({ at, metre }): readonly DrumEvent[] => {
    const beats = beatsInBar(metre)
    if (style === 'straight') return plainBeat(beats, metre).map((event) => ({ ...event, at: event.at + at }))
    return BEATS[style]
      .flatMap(([drum, places, loud]) =>
        places
          .filter((place) => place < beats)
          .map((place): DrumEvent => ({ part: 'drums', at: at + place, loud, drum })),
      )
      .toSorted((a, b) => a.at - b.at)
  })
}

/** The bass does not go beyond E1 and G3. */
const LOWEST: Midi = 28
const HIGHEST: Midi = 55

/** The pitch of a pitch class that lies nearest to where the bass is. */
function near(pitchClass: number, before: Midi | undefined): Midi {
  if (before === undefined) return bassNote(pitchClass)
  let best = bassNote(pitchClass)
  for (let midi = LOWEST; midi <= HIGHEST; midi++)
    if (midi % 12 === pitchClass && Math.abs(midi - before) < Math.abs(best - before)) best = midi
  return best
}

/** Roots (or the bass after a slash) as long as their chords; walking, a quarter each, into the next root from a semitone beside it. */
export function bassFor(line: BassLine, chords: readonly BandChord[], loop: boolean): readonly BassEvent[] {
  let before: Midi | undefined
  return chords.flatMap(({ chord, at, beats }, index): readonly BassEvent[] => {
    const root = pitchClassOf(chord.bass ?? chord.root)
    const first = line === 'roots' ? bassNote(root) : near(root, before)
    before = first
    const count = Math.floor(beats + 1e-9)
    if (line === 'roots' || count < 2) return [{ part: 'bass', at, length: beats, loud: 0.9, midi: first }]
    const next = chords[index + 1] ?? (loop ? chords[0] : undefined)
    const through = tonesOf(chord)
    return Array.from({ length: count }, (_, beat): BassEvent => {
      const isLast = beat === count - 1
      let midi = first
      if (isLast && next) midi = beside(near(pitchClassOf(next.chord.bass ?? next.chord.root), before), before as Midi)
      else if (beat > 0) midi = near(through[(beat - 1) % through.length] as number, before)
      before = midi
      return { part: 'bass', at: at + beat, length: isLast ? beats - beat : 1, loud: beat % 2 === 0 ? 0.9 : 0.8, midi }
    })
  })
}

/** Third, fifth and seventh, as far as the chord has them. */
function tonesOf(chord: Chord): readonly number[] {
  const root = pitchClassOf(chord.root)
  const bass = bassDegreeOf(chord)
  const inside = chord.formula.filter((degree) => /[34567]$/.test(degree) && degree !== bass)
  return (inside.length > 0 ? inside : chord.formula).map((degree) => (root + degreePitchClass(degree)) % 12)
}

/** A semitone below or above, from the side that the bass comes from. */
const beside = (target: Midi, from: Midi): Midi =>
  from > target ? Math.min(HIGHEST, target + 1) : Math.max(LOWEST, target - 1)
