/** Which key a tune is in, as players say it: written down before the rule was asked. */
import { expect, test } from 'vitest'
import { writeKey } from '../key/index.ts'
import { guessKey } from './guessKey.ts'
import { playedChart, readChart } from './index.ts'

const guess = (chords: string) => guessKey(playedChart(readChart(`| ${chords.replaceAll(' ', ' | ')} |`).chart).chords)

test.each([
  ['C Am F G', 'C major'],
  ['Dm7 G7 Cmaj7 Cmaj7', 'C major'],
  ['Bm7b5 E7b9 Am6 Am6', 'A minor'],
  ['Gmaj7 Em7 Am7 D7 Bm7 E7 Am7 D7', 'G major'],
  ['F7 Bb7 F7 F7 Bb7 Bdim7 F7 D7 Gm7 C7 F7 C7', 'F major'],
  ['Bb6 G7 Cm7 F7 Dm7 G7 Cm7 F7', 'Bb major'],
  ['Cm7 Fm7 Dm7b5 G7b9 Cm7 Cm7', 'C minor'],
  ['Am7 D7 Gmaj7 Cmaj7 F#m7b5 B7 Em7 Em7', 'E minor'],
  ['Ebmaj9 Ebmaj9 Cm9 Cm9 Fm9 Bb13 Ebmaj9 Ebmaj9', 'Eb major'],
  ['Cmaj7 C#dim7 Dm7 D#dim7 Em7 A7 Dm7 G7', 'C major'],
  ['G D/F# Em Em C G Am D', 'G major'],
  ['D A/C# Bm D/A G D/F# Em A', 'D major'],
  ['Am G F E7 Am G F E7', 'A minor'],
  ['Em D C B7 Em D C B7', 'E minor'],
  ['A7 D9 A7 A7 D9 D9 A7 A7 E9 D9 A7 E9', 'A major'],
  ['E9 E9 E9 E9 A9 A9 E9 E9', 'E major'],
  ['C F F#dim7 C/G A7 D7 G7 C', 'C major'],
  ['F#m7 Bm7 C#7b9 F#m7 Dmaj7 E9 Amaj7 C#7#9', 'F# minor'],
  ['Fm9 Bbm7 Eb13 Abmaj9', 'Ab major'],
  ['Dadd9 Gmaj7 Bm7 A7sus4 Em9 Gmaj7 A7 Dadd9', 'D major'],
  ['Em7 A7 Dm7 G7 Cmaj7', 'C major'],
  ['Gm Cm D7 Gm', 'G minor'],
])('%s is in %s', (chords, key) => expect(writeKey(guess(chords)?.key as never, { ascii: true })).toBe(key))

test('a key that may be doubted is told with the other; a clear one is told alone', () => {
  const doubted = guess('F#m D A E')
  expect(doubted && [doubted.key, doubted.orElse].map((key) => key && writeKey(key, { ascii: true }))).toEqual([
    'F# minor',
    'A major',
  ])
  expect(guess('Cm7 Fm7 Dm7b5 G7b9 Cm7 Cm7')?.orElse).toBeUndefined()
})
