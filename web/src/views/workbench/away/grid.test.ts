import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { oneToneNeighbours } from '@nestling/core/near'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { readFrets, voicingOf } from '@nestling/core/voicing'
import { expect, test } from 'vitest'
import { nameGrid } from './grid.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
function voicing(symbol: string, text: string) {
  const chord = readSymbol(symbol)
  const frets = readFrets(text, 6)
  const found = chord.ok && frets.ok ? voicingOf(chord.value, frets.value, neck) : undefined
  if (!found) throw new Error(`${symbol} ${text}`)
  return found
}

test('every neighbour stands once, at its string and its step', () => {
  for (const [symbol, text] of [
    ['Ebmaj7', 'x6878x'],
    ['C', 'x32010'],
    ['G7', '3x343x'],
    ['Am7', '5x55xx'],
  ] as const) {
    const from = voicing(symbol, text)
    const rows = nameGrid(from, neck)
    expect(rows.map(({ string }) => string)).toEqual(
      from.frets.flatMap((fret, string) => (fret === null ? [] : [string])),
    )
    const placed = rows.flatMap(({ string, places }) =>
      places.flatMap(({ by, place }) => {
        if (!place) return []
        expect(place.neighbour.moves).toMatchObject([{ string, by }])
        return [place.neighbour]
      }),
    )
    expect(new Set(placed)).toEqual(new Set(oneToneNeighbours(from, neck)))
  }
})

test('of E♭maj7 the seventh a semitone lower is E♭7, and its root a semitone higher makes another chord', () => {
  const rows = nameGrid(voicing('Ebmaj7', 'x6878x'), neck)
  const at = (string: number, by: number) =>
    rows.find((row) => row.string === string)?.places.find((place) => place.by === by)?.place
  const name = (place: ReturnType<typeof at>) => place && writeSymbol(place.neighbour.name.chord, { ascii: true })
  expect([name(at(3, -1)), name(at(1, 2))]).toEqual(['Eb7', 'Ebmaj9'])
  expect([at(3, -1)?.isOtherRoot, name(at(1, 1)), at(1, 1)?.isOtherRoot]).toEqual([false, 'Em7b5', true])
})
