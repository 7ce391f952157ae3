import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { shapesFor } from '../answer/index.ts'
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { landmarksOf, openFormOf } from '../near/index.ts'
import { neckOf, readKnownTuning, STANDARD_INSTRUMENT } from '../neck/index.ts'
import type { Degree } from '../pitch/index.ts'
import { type Player, type Question, readTypedLine } from '../request/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must } from '../result/index.ts'
import { fretsAt, readFrets, voicingOf, writeFrets } from '../voicing/index.ts'
import { easiestPlace, type MapChange, mapOf, onEveryRoot, placesOf, rowOfRoots } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const mapped = (line: string, more: Partial<Player> = {}, change?: MapChange) => {
  const question = readTypedLine(line, { ...PLAYER, ...more })
  if (!question.ok) throw new Error(question.error.code)
  return { question: question.value.question, map: mapOf(question.value.question, { ...PLAYER, ...more }, change) }
}
const cellText = (line: string, strings: string, change?: MapChange) =>
  mapped(line, {}, change)
    .map.rows.find((row) => row.strings.map((index) => 6 - index).join('') === strings)
    ?.cells.map((cell) =>
      cell.kind === 'gap' ? cell.why : `${cell.hold === 'held' ? '' : `${cell.hold} `}${writeFrets(cell.frets)}`,
    )
const chord = (text: string) => must(readSymbol(text))
const ROOT_TO_9: MapChange = { kind: 'extend', extension: '9', way: 'root-moves' }

describe('the map of a chord', () => {
  test('the twelve places of a C triad in close position on neighbouring strings', () =>
    expect(['321', '432', '543', '654'].map((strings) => cellText('C close', strings))).toEqual([
      ['xxx553', 'xxx988', 'x-x-x-12-13-12'],
      ['x-x-10-9-8-x', 'x-x-14-12-13-x', 'xx555x'],
      ['x-15-14-12-x-x', 'x755xx', 'x-10-10-9-x-x'],
      ['875xxx', '12-10-10-x-x-x', '332xxx'],
    ]))

  test('every place is the easiest of what a search on its strings with its bass finds; what is beyond or missing is not found', () => {
    for (const line of ['Ebmaj7 drop2', 'G7 drop3', 'Dm close', 'Am9 drop2', 'C6 any', 'Em7 close open strings']) {
      const { question, map } = mapped(line)
      for (const { strings, cells } of map.rows)
        for (const cell of cells) {
          const found = shapesFor({ ...question, strings, bass: cell.bass }, PLAYER)
          const first = found.shown > 0 ? fretsAt(found, 0) : undefined
          const shown = cell.kind === 'place' && cell.hold !== 'beyond' ? cell.frets : undefined
          expect(shown?.join(), `${line} ${strings.join()} ${cell.bass}`).toBe(first?.join())
          if (cell.kind === 'place' && cell.hold === 'beyond')
            expect(cell.reachMm).toBeGreaterThan(PLAYER.hand.stretchMm)
        }
    }
  })

  test('every reason is true: what it gives up gives a shape, and what it does not give up gives none', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('Ebmaj7', 'G', 'Dm9', 'C13', 'Bb', 'F#m7b5'),
        fc.constantFrom('close', 'drop2', 'drop3', 'spread'),
        fc.constantFrom([1, 15], [1, 4], [7, 11], [12, 17]),
        fc.constantFrom('never', 'allow'),
        fc.boolean(),
        (symbol, arrangement, [fretMin = 1, fretMax = 15], open, isOtherTuning) => {
          const tuning = isOtherTuning ? must(readKnownTuning('D A D F# A D')) : undefined
          const question = {
            ...mapped(`${symbol} ${arrangement}`).question,
            fretMin,
            fretMax,
            open,
            tuning,
          } as Question
          const finds = (strings: readonly number[], bass: Degree, wider: Partial<Question>, extra = 0) => {
            const { instrument } = PLAYER
            const player = {
              ...PLAYER,
              instrument: {
                ...instrument,
                frets: instrument.frets + extra,
                lastReachableFret: instrument.lastReachableFret + extra,
              },
            }
            return shapesFor({ ...question, strings: [...strings], bass, doubling: false, ...wider }, player).count > 0
          }
          const whole = { fretMin: 1, fretMax: 17 }
          for (const { strings, cells } of mapOf(question, PLAYER).rows)
            for (const cell of cells) {
              const ask = (wider: Partial<Question>, extra?: number) => finds(strings, cell.bass, wider, extra)
              const asked = ask({})
              const told = cell.kind === 'place' ? cell.hold : cell.why
              expect(asked, told).toBe(told === 'held' || told === 'fingers')
              if (asked) continue
              const beyond = ask({ span: 40 })
              expect(beyond).toBe(told === 'beyond')
              if (beyond) continue
              const ways = [
                ['open', ask({ open: 'allow' })],
                ['frets', ask(whole)],
                ['neck', ask({ fretMin: 1, fretMax: 29 }, 12)],
                ['several', ask({ fretMin: 1, fretMax: 29, open: 'allow', span: 40 }, 12)],
              ] as const
              expect(told).toBe(ways.find(([, finds]) => finds)?.[0] ?? 'nowhere')
            }
        },
      ),
      { numRuns: 25 },
    )
  })

  test('a seven-string and another tuning have their own rows', () => {
    const seven = { instrument: { ...STANDARD_INSTRUMENT, tuning: must(readKnownTuning('seven strings, low B')) } }
    const { map } = mapped('C13#11 any', seven)
    expect(map.rows.some(({ strings }) => strings.includes(6))).toBe(true)
    expect(map.rows.flatMap(placesOf).length).toBeGreaterThan(20)
  })
})

describe('landmarks', () => {
  const voicing = (symbol: string, text: string) => {
    const found = voicingOf(must(readSymbol(symbol)), must(readFrets(text)), neck)
    if (!found) throw new Error(text)
    return found
  }
  test('the nearest roots on strings 6, 5 and 4', () =>
    expect(landmarksOf(voicing('C', 'xx555x'), neck)).toEqual([
      { string: 6, fret: 8 },
      { string: 5, fret: 3 },
      { string: 4, fret: 10 },
    ]))
  test.each([
    ['C', 'x3555x', 'A', 3],
    ['C', '8-10-10-9-8-8', 'E', 8],
    ['G', '355433', 'E', 3],
    ['F', 'xx3565', 'D', 3],
    ['D', 'x577xx', 'A', 5],
    ['Cm', 'x35543', 'A', 3], // one tone altered
    ['Gm', '355333', 'E', 3],
    ['Ebmaj7', 'x6878x', 'A', 6],
    ['C7', 'x32310', 'C', 0],
    ['D', 'x54232', 'C', 2],
    ['Em', '022000', 'E', 0],
    ['A', '542225', 'G', 2],
    ['Dm', 'xx0231', 'D', 0],
  ])('%s as %s comes from the open %s form at fret %d', (symbol, text, name, fret) =>
    expect(openFormOf(voicing(symbol, text), neck)).toEqual({ name, fret }),
  )
})

describe('a changed map', () => {
  test('adding a tone searches the larger chord: Gmaj9 on 5 4 3 2 is there, though no plain Gmaj7 is', () => {
    expect(cellText('Gmaj7 drop2', '5432')).toContain('open')
    expect(cellText('Gmaj7 drop2', '5432', ROOT_TO_9)).toContain('x2423x')
  })
  test('every tone that is new tells which it was and where it stood', () => {
    const { map } = mapped('Ebmaj7 drop2', {}, ROOT_TO_9)
    const place = map.rows.flatMap(placesOf).find(({ frets }) => writeFrets(frets) === 'x8878x')
    expect(place?.from).toEqual([{ string: 1, fret: 6, degree: 'R', by: 2 }])
    for (const { frets, degrees, from } of map.rows.flatMap(placesOf)) {
      const before = frets.map((fret, string) => {
        const came = from.find((one) => one.string === string)
        return came ? (came.fret ?? null) : fret
      })
      // With every tone put back, what is left is the chord before.
      if (before.includes(null) && from.some(({ fret }) => fret === undefined)) continue
      expect(
        voicingOf(chord('Ebmaj7'), before, neck)
          ?.degrees.filter((degree) => degree !== null)
          .toSorted(),
      ).toEqual(['3', '5', '7', 'R'])
      expect(degrees).toContain('9')
      expect(degrees).not.toContain('R')
    }
  })
  test.each([
    ['C close', 'Cm', 'xx554x', [[4, '3', -1]]],
    [
      'C close',
      'Cdim',
      'xx454x',
      [
        [2, '5', -1],
        [4, '3', -1],
      ],
    ],
    ['C close', 'Csus4', 'xx556x', [[4, '3', 1]]],
  ])('%s becomes %s as %s', (line, target, expected, moved) => {
    const { map } = mapped(line, {}, { kind: 'morph', formula: chord(target).formula })
    expect(map.chord).toMatchObject({ root: 'C', formula: chord(target).formula })
    const place = map.rows.flatMap(placesOf).find(({ frets }) => writeFrets(frets) === expected)
    expect(place?.from.map(({ string, degree, by }) => [string, degree, by])).toEqual(moved)
  })
  test('the root stays and the fifth gives way; a string more holds all of it', () => {
    const ways = (way: 'fifth-gives-way' | 'one-more') =>
      mapped('C7 any', {}, { kind: 'extend', extension: '9', way }).map.rows.flatMap(placesOf)
    expect(ways('fifth-gives-way').map(({ frets }) => writeFrets(frets))).toContain('x3233x')
    for (const { degrees } of ways('fifth-gives-way'))
      expect(degrees.filter((degree) => degree !== null).toSorted()).toEqual(['3', '9', 'R', 'b7'])
    expect(ways('one-more').map(({ frets }) => writeFrets(frets))).toContain('x32333')
  })
  test('an arrangement by degrees goes along, and a change that the chord does not allow changes nothing', () => {
    expect(cellText('Cmaj7 R 5 7 3', '5432', ROOT_TO_9)).toContain('x5545x')
    expect(mapped('C9 any', {}, ROOT_TO_9).map.chord.formula).toEqual(chord('C9').formula)
  })
  test('what is left out stays out, and under its new name', () => {
    const { map } = mapped('Dm9 drop2 rootless', {}, { kind: 'morph', formula: chord('D9').formula })
    const places = map.rows.flatMap(placesOf)
    expect(places.length).toBeGreaterThan(5)
    for (const { degrees } of places)
      expect(degrees.filter((degree) => degree !== null).toSorted()).toEqual(['3', '5', '9', 'b7'])
  })
  test('all places are known as one family: every rootless Cmaj9 is Em7, every C6 is Am7', () => {
    const twins = (line: string, change?: MapChange) =>
      mapped(line, {}, change)
        .map.rows.flatMap(placesOf)
        .map(({ twin }) => twin && writeSymbol(twin))
    expect(new Set(twins('Cmaj7 drop2', ROOT_TO_9))).toEqual(new Set(['Em7']))
    expect(new Set(twins('C6 any'))).toEqual(new Set(['Am7']))
    expect(new Set(twins('Ebmaj7 drop2'))).toEqual(new Set([undefined]))
    // In the chord's own letters.
    expect(new Set(twins('F#maj7 drop2', ROOT_TO_9))).toEqual(new Set(['A♯m7']))
    // Called by what lies lowest; over its own root it is what was asked for.
    expect(new Set(twins('Caug'))).toEqual(new Set([undefined, 'Eaug', 'G♯aug']))
    expect(new Set(twins('Asus2'))).toEqual(new Set([undefined, 'Esus4']))
  })
  test('it opens on its easiest place', () => {
    const { map } = mapped('Ebmaj7 drop2', {}, ROOT_TO_9)
    const first = easiestPlace(map)
    for (const place of map.rows.flatMap(placesOf)) expect(place.score).toBeGreaterThanOrEqual(first?.score ?? 0)
    expect(first?.hold).toBe('held')
  })
})

describe('a shape on every root', () => {
  const voicing = (symbol: string, text: string) => ({ chord: chord(symbol), frets: must(readFrets(text)) })
  test('along its lowest string, each root once, at the lowest place that the hand holds', () => {
    const { string, places } = onEveryRoot(voicing('Ebmaj7', 'x6878x'), neck, PLAYER.hand)
    expect(string).toBe(1)
    expect(places.map(({ chord: one, fret }) => `${writeSymbol(one)} ${fret}`)).toEqual([
      'B♭maj7 1',
      'Bmaj7 2',
      'Cmaj7 3',
      'D♭maj7 4',
      'Dmaj7 5',
      'E♭maj7 6',
      'Emaj7 7',
      'Fmaj7 8',
      'G♭maj7 9',
      'Gmaj7 10',
      'A♭maj7 11',
      'Amaj7 12',
    ])
    for (const one of places)
      expect(voicingOf(one.chord, one.frets, neck)?.arrangement.degrees).toEqual(['R', '5', '7', '3'])
  })
  test('what is too wide near the nut lies an octave higher, or is told as not to be held', () => {
    const wide = voicing('C', '8-10-10-9-8-8')
    const narrow = { ...PLAYER.hand, comfortableMm: 45, stretchMm: 55 }
    const there = onEveryRoot(wide, neck, narrow).places
    expect(there.some(({ fret, held }) => held && fret > 12)).toBe(true)
    expect(onEveryRoot(wide, neck, { ...narrow, stretchMm: 10 }).places.every(({ held }) => !held)).toBe(true)
  })
  test('a row in fourths from its own root', () => {
    const { places } = onEveryRoot(voicing('Ebmaj7', 'x6878x'), neck, PLAYER.hand)
    expect(rowOfRoots(places, chord('Ebmaj7'), 'fourths').map(({ chord: one }) => one.root)).toEqual([
      'Eb',
      'Ab',
      'Db',
      'Gb',
      'B',
      'E',
      'A',
      'D',
      'G',
      'C',
      'F',
      'Bb',
    ])
    expect(
      rowOfRoots(places, chord('Ebmaj7'), 'semitones')
        .slice(0, 3)
        .map(({ fret }) => fret),
    ).toEqual([6, 7, 8])
  })
  test('an open string can’t be moved', () =>
    expect(onEveryRoot(voicing('C', 'x32010'), neck, PLAYER.hand).places).toEqual([]))
})
