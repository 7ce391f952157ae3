/** What bass and drums play to a tune: a bass line, a beat for each style, a fill where a part ends. */
import { bassDegreeOf, type Chord } from '../chord/index.ts'
import { degreePitchClass, type Midi, pitchClassOf } from '../pitch/index.ts'
import { beatsInBar, type Metre } from './metre.ts'
import { type BassEvent, bassNote, type Drum, type DrumEvent, plainBeat } from './score.ts'

export interface BandBar {
  /** Beats (quarter notes) from the start. */
  readonly at: number
  readonly metre: Metre
  /** A part ends with it: drums lead into the next. */
  readonly endsPart?: boolean | undefined
}
export interface BandChord {
  readonly chord: Chord
  readonly at: number
  readonly beats: number
}
export const BASS_LINES = ['roots', 'root and fifth', 'walking'] as const
export type BassLine = (typeof BASS_LINES)[number]
export type DrumStyle = 'straight' | 'swing' | 'waltz' | 'bossa' | 'ballad' | 'off-beat'

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
  'off-beat': [
    ['kick', [0, 2], 0.6],
    ['snare', [2], 0.4],
    ['hat', [0.5, 1.5, 2.5, 3.5], 0.5],
  ],
}

/** Into the next part, in quarter notes before its beginning: instead of what a bar's last beat has. */
const FILL: Beat = [
  ['snare', [1, 0.75, 0.5], 0.45],
  ['kick', [0.25], 0.6],
]
const FILL_BEATS = 1

/** A style in another metre keeps what falls inside the bar. */
export function drumsFor(style: DrumStyle, bars: readonly BandBar[]): readonly DrumEvent[] {
  return bars.flatMap(({ at, metre, endsPart }): readonly DrumEvent[] => {
    const beats = beatsInBar(metre)
    const beat = style === 'straight' ? plainBeat(beats, metre) : struckIn(BEATS[style], beats, (place) => place)
    const fills = endsPart === true && beats > FILL_BEATS
    const kept = fills ? beat.filter((event) => event.at < beats - FILL_BEATS - 1e-9) : beat
    const all = fills ? [...kept, ...struckIn(FILL, beats, (before) => beats - before)] : kept
    return all.map((event) => ({ ...event, at: event.at + at })).toSorted((a, b) => a.at - b.at)
  })
}

const struckIn = (beat: Beat, beats: number, placeOf: (given: number) => number): readonly DrumEvent[] =>
  beat.flatMap(([drum, places, loud]) =>
    places
      .map(placeOf)
      .filter((place) => place < beats)
      .map((at): DrumEvent => ({ part: 'drums', at, loud, drum })),
  )

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

/**
 * Roots (or the bass after a slash) as long as their chords; root and fifth, half notes in turn; walking, a quarter each, into
 * the next root from a semitone beside it.
 * @param under The lowest note of the guitar: roots stay below it.
 */
export function bassFor(
  line: BassLine,
  chords: readonly BandChord[],
  loop: boolean,
  under?: Midi,
): readonly BassEvent[] {
  let before: Midi | undefined
  return chords.flatMap((now, index): readonly BassEvent[] => {
    const { chord, at, beats } = now
    const root = pitchClassOf(chord.bass ?? chord.root)
    const first = line === 'walking' ? near(root, before) : bassNote(root, under)
    before = first
    const count = Math.floor(beats + 1e-9)
    if (line === 'root and fifth') return rootAndFifth(now, first)
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

/** A half note each; the chord's own fifth, and the root again where it has none. */
function rootAndFifth({ chord, at, beats }: BandChord, first: Midi): readonly BassEvent[] {
  const fifth = chord.formula.find((degree) => /^[b#]*5$/.test(degree))
  const above = fifth === undefined ? 0 : (degreePitchClass(fifth) + pitchClassOf(chord.root) - (first % 12) + 24) % 12
  // The fifth below, where the bass reaches it.
  const other = above === 0 ? first : first + above - 12 >= LOWEST ? first + above - 12 : first + above
  return Array.from({ length: Math.max(1, Math.ceil(beats / 2 - 1e-9)) }, (_, half): BassEvent => {
    const length = Math.min(2, beats - 2 * half)
    return {
      part: 'bass',
      at: at + 2 * half,
      length,
      loud: half % 2 === 0 ? 0.9 : 0.75,
      midi: half % 2 === 0 ? first : other,
    }
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
