/**
 * Which key a tune is in: the one whose scale holds most of what sounds, for as long as it does; where it begins and
 * ends, and its dominants, count more. A guess that is hardly better than the next is told as doubtful.
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

/** Weights in beats: a tonic at the end says more than one at the beginning, a dominant before its tonic most. */
const AT_THE_END = 6
const AT_THE_BEGINNING = 2
const CADENCE = 4
/** A key this much better is not doubted, in shares of the whole. */
const CLEAR = 0.06

export function guessKey(chords: readonly Pick<PlayedChord, 'chord' | 'beats'>[]): KeyGuess | undefined {
  if (chords.length === 0) return undefined
  const beats = chords.reduce((sum, one) => sum + one.beats, 0)
  const scored = [MAJOR, NATURAL_MINOR].flatMap((scale) =>
    Array.from({ length: 12 }, (_, tonic) => {
      const key = plainestKey(tonic, scale)
      return { key, score: scoreOf(key, tonic, chords) / (beats + AT_THE_END) }
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
  // A minor key has its leading tone too.
  if (isMinor) inScale.add((tonic + 11) % 12)
  const isTonic = ({ root, formula }: Chord) =>
    pitchClassOf(root) === tonic && formula.includes(isMinor ? 'b3' : '3') && !formula.includes('b5')
  let score = 0
  for (const [index, { chord, beats }] of chords.entries()) {
    const root = pitchClassOf(chord.root)
    const inside = chord.formula.filter((degree) => inScale.has((root + degreePitchClass(degree)) % 12)).length
    score += beats * (inside / chord.formula.length)
    const next = chords[index + 1]?.chord
    const isDominant = chord.formula.includes('3') && chord.formula.includes('b7') && root === (tonic + 7) % 12
    if (next && isDominant && isTonic(next)) score += CADENCE
  }
  const [first, last] = [chords[0]?.chord, chords.at(-1)?.chord]
  if (last && isTonic(last)) score += AT_THE_END
  if (first && isTonic(first)) score += AT_THE_BEGINNING
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
