/**
 * Which key a tune is in: the one that most of its duration belongs to. Tones outside weigh most; a long tonic and one at
 * the beginning say more than the last chord, since turnarounds end away from home. A guess that is hardly better than the
 * next is told as doubtful.
 */
import type { Chord } from '../chord/index.ts'
import { type Key, keyOf, MAJOR, NATURAL_MINOR, plainestKey } from '../key/index.ts'
import { degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import type { PlayedChord } from './played.ts'

export interface KeyGuess {
  readonly key: Key
  /** The next best, where it is nearly as good. */
  readonly orElse: Key | undefined
}

/** In beats: what a tone outside costs for each beat that it sounds, a tonic earns, and a dominant that goes there, more with its second before it. */
const OUTSIDE = 0.7
const TONIC = 0.35
const AT_THE_BEGINNING = 2
const AT_THE_END = 1
/** The last chord is the dominant of the first. */
const TURNAROUND = 1.5
const CADENCE = 1.5
const WITH_ITS_SECOND = 1.5
/** The seventh of a tonic or subdominant that is a dominant seventh, as in a blues, is hardly outside. */
const BLUE = 0.25
/** A key this much better is not doubted, in shares of the whole. */
const CLEAR = 0.12

export function guessKey(chords: readonly Pick<PlayedChord, 'chord' | 'beats'>[]): KeyGuess | undefined {
  if (chords.length === 0) return undefined
  const beats = chords.reduce((sum, one) => sum + one.beats, 0)
  const scored = [MAJOR, NATURAL_MINOR].flatMap((scale) =>
    Array.from({ length: 12 }, (_, tonic) => {
      const key = plainestKey(tonic, scale)
      return { key, score: scoreOf(key, tonic, chords) / (beats + AT_THE_BEGINNING) }
    }),
  )
  scored.sort((a, b) => b.score - a.score)
  const [best, next] = scored
  if (!best) return undefined
  return { key: spelledAs(best.key, chords), orElse: next && best.score - next.score < CLEAR ? next.key : undefined }
}

function scoreOf(key: Key, tonic: number, chords: readonly Pick<PlayedChord, 'chord' | 'beats'>[]): number {
  const isMinor = key.scale.name === NATURAL_MINOR.name
  const inScale = new Set(key.notes.map(pitchClassOf))
  const isTonic = ({ root, formula }: Chord) =>
    pitchClassOf(root) === tonic && formula.includes(isMinor ? 'b3' : '3') && !formula.includes('b5')
  const isOnStep = ({ root }: Chord, above: number) => pitchClassOf(root) === (tonic + above) % 12
  const isDominant = ({ formula }: Chord) => formula.includes('3') && formula.includes('b7')
  // The leading tone belongs to a minor key's dominant, not to its other chords.
  const isIn = (chord: Chord, pitchClass: number) =>
    inScale.has(pitchClass) ||
    (isMinor && pitchClass === (tonic + 11) % 12 && (isOnStep(chord, 7) || isOnStep(chord, 11)))
  let score = 0
  for (const [index, { chord, beats }] of chords.entries()) {
    const root = pitchClassOf(chord.root)
    const isBlue = isDominant(chord) && (isOnStep(chord, 0) || isOnStep(chord, 5))
    const outside = chord.formula.reduce((sum, degree) => {
      if (isIn(chord, (root + degreePitchClass(degree)) % 12)) return sum
      return sum + (isBlue && degree === 'b7' ? BLUE : 1)
    }, 0)
    score -= OUTSIDE * beats * Math.min(2, outside)
    if (isTonic(chord)) score += TONIC * beats
    const next = chords[index + 1]?.chord
    if (next && isDominant(chord) && isOnStep(chord, 7) && isTonic(next)) {
      const before = chords[index - 1]?.chord
      score +=
        CADENCE +
        (before && isOnStep(before, 2) && before.formula.includes('b3') && before.formula.includes('b5') === isMinor
          ? WITH_ITS_SECOND
          : 0)
    }
  }
  const [first, last] = [chords[0]?.chord, chords.at(-1)?.chord]
  if (last && isTonic(last)) score += AT_THE_END
  if (first && isTonic(first)) {
    score += AT_THE_BEGINNING
    if (last && isOnStep(last, 7) && last.formula.includes('3')) score += TURNAROUND
  }
  return score
}

/** The tonic as the chart spells it, where it does. */
function spelledAs(key: Key, chords: readonly Pick<PlayedChord, 'chord'>[]): Key {
  const flats = chords.filter(({ chord }) => chord.root.includes('b')).length
  const sharps = chords.filter(({ chord }) => chord.root.includes('#')).length
  if (key.tonic.includes('#') === sharps > flats || (!key.tonic.includes('#') && !key.tonic.includes('b'))) return key
  const other = chords.find(({ chord }) => pitchClassOf(chord.root) === pitchClassOf(key.tonic))?.chord.root
  return (other && keyFrom(other, key)) ?? key
}

const keyFrom = (tonic: Key['tonic'], { scale }: Key): Key | undefined => keyOf(tonic, scale)
