import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, plainestRoot, readSymbol } from '../chord/index.ts'
import { MEDIUM_HAND, scaledHand } from '../hand/index.ts'
import { COMMON_TUNINGS, neckOf, readKnownTuning, STANDARD_INSTRUMENT, soundingMidi } from '../neck/index.ts'
import { degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { everyLine } from './everyLine.testkit.ts'
import {
  type Arpeggio,
  type ArpeggioWay,
  arpeggioOf,
  chordPlaces,
  DIRECTIONS,
  highestPosition,
  inPosition,
  lowestPosition,
  PATTERNS,
  playingOrder,
  positionsOf,
} from './index.ts'
import { fingerLine } from './line.ts'
import { byPitch } from './places.ts'

const standard = neckOf(STANDARD_INSTRUMENT)
const chord = (text: string) => must(readSymbol(text))
const arpeggio = (text: string, way: ArpeggioWay, chosen?: ReadonlyMap<number, number>) =>
  arpeggioOf(chord(text), standard, MEDIUM_HAND, way, { chosen })
const at = (one: Arpeggio) => one.notes.map(({ string, fret }) => `${6 - string}:${fret}`).join(' ')
const fingers = (one: Arpeggio) => one.notes.map(({ finger }) => finger ?? 0).join('')
const degrees = (one: Arpeggio) => one.notes.map(({ degree }) => degree).join(' ')

const anyChord = fc
  .record({ entry: fc.constantFrom(...CATALOGUE), root: fc.integer({ min: 0, max: 11 }) })
  .map(({ entry, root }) => ({ root: plainestRoot(root, entry.formula), formula: entry.formula }))
const anyNeck = fc
  .record({
    tuning: fc.constantFrom(...COMMON_TUNINGS),
    frets: fc.integer({ min: 12, max: 24 }),
    capo: fc.integer({ min: 0, max: 5 }),
  })
  .map(({ tuning, frets, capo }) =>
    neckOf({
      ...STANDARD_INSTRUMENT,
      tuning,
      frets,
      lastReachableFret: frets,
      capo: capo === 0 ? undefined : { fret: capo, strings: 'all' },
    }),
  )
const anyHand = fc.integer({ min: 75, max: 130 }).map((percent) => scaledHand(percent / 100, 'any'))
const anyPlace = fc.record({ chord: anyChord, neck: anyNeck, hand: anyHand, part: fc.nat(1000) })
const positionIn = (neck: ReturnType<typeof neckOf>, part: number) => {
  const low = lowestPosition(neck)
  return low + (part % (highestPosition(neck) - low + 1))
}

describe('a position', () => {
  test('Cmaj7 with the index at the seventh fret: everything from B up to C, the tones below the lowest root too', () => {
    const one = arpeggio('Cmaj7', { kind: 'position', at: 7 })
    expect(degrees(one)).toBe('7 R 3 5 7 R 3 5 7 R')
    expect(at(one)).toBe('6:7 6:8 5:7 5:10 4:9 4:10 3:9 2:8 1:7 1:8')
    expect(fingers(one)).toBe('1214343212')
  })

  test('the stretch frets belong to it, and a tone on two strings can be had on either', () => {
    const one = arpeggio('Am7', { kind: 'position', at: 5 })
    const again = arpeggio(
      'Am7',
      { kind: 'position', at: 5 },
      new Map(one.others.map((place) => [place.midi, place.string])),
    )
    for (const place of one.others) {
      expect(one.notes.some(({ midi }) => midi === place.midi)).toBe(true)
      expect(again.notes).toContainEqual(expect.objectContaining({ string: place.string, fret: place.fret }))
    }
    expect(again.cost.total).toBeGreaterThanOrEqual(one.cost.total)
  })

  test('the first position has the open strings', () =>
    expect(at(arpeggio('Em', { kind: 'position', at: 1 }))).toBe('6:0 6:3 5:2 4:2 3:0 2:0 1:0 1:3'))

  test('a position that the neck has not is refused', () =>
    expect(() => arpeggio('C', { kind: 'position', at: 0 })).toThrow(/position 0 is not between 1 and/))

  test('every chord tone inside the window is there, once per pitch, low to high, and nothing else', () => {
    fc.assert(
      fc.property(anyPlace, ({ chord, neck, hand, part }) => {
        const position = positionIn(neck, part)
        const one = arpeggioOf(chord, neck, hand, { kind: 'position', at: position })
        const expected = new Set<number>()
        for (let string = 0; string < neck.open.length; string++)
          for (let fret = 0; fret <= neck.lastFret; fret++) {
            const pressed = fret >= (neck.firstFret[string] as number) && fret >= position - 1 && fret <= position + 4
            if (!(fret === 0 ? position === lowestPosition(neck) : pressed)) continue
            const midi = soundingMidi(neck, string, fret)
            const above = (midi - pitchClassOf(chord.root) + 120) % 12
            if (chord.formula.some((degree) => degreePitchClass(degree) === above)) expected.add(midi)
          }
        expect(one.notes.map(({ midi }) => midi)).toEqual([...expected].sort((a, b) => a - b))
      }),
    )
  })

  test('fingers are playable: each stands over its own fret or stretches by one, and the hand never moves', () => {
    fc.assert(
      fc.property(anyPlace, ({ chord, neck, hand, part }) => {
        const position = positionIn(neck, part)
        const one = arpeggioOf(chord, neck, hand, { kind: 'position', at: position })
        expect(one.cost.shifts).toBe(0)
        for (const { fret, finger, stretched, handAt } of one.notes) {
          expect(handAt).toBe(position)
          if (fret === 0) expect(finger).toBeNull()
          else if (stretched)
            expect([
              [position - 1, 1],
              [position + 4, 4],
            ]).toContainEqual([fret, finger])
          else expect(finger).toBe(fret - position + 1)
        }
      }),
    )
  })
})

describe('the other ways', () => {
  test('one string: everything on it, with shifts told', () => {
    const one = arpeggio('C', { kind: 'one-string', string: 5 })
    expect(at(one)).toMatch(/^1:0 1:3 1:8 1:12 1:15( 1:20)?$/)
    expect(one.cost.shifts).toBeGreaterThan(1)
  })

  test('two a string: two tones on each, rising', () => {
    const one = arpeggio('Am7', { kind: 'two-a-string', at: 5 })
    expect(at(one)).toBe('6:5 6:8 5:7 5:10 4:7 4:10 3:9 3:12 2:10 2:13 1:12 1:15')
    expect(degrees(one)).toBe('R b3 5 b7 R b3 5 b7 R b3 5 b7')
  })

  test('a diagonal climbs from root to root', () => {
    const one = arpeggio('Cmaj7', { kind: 'diagonal', string: 0, at: 8, octaves: 2 })
    expect(at(one)).toBe('6:8 5:7 5:10 4:9 4:10 3:9 2:8 2:12 2:13')
    expect(fingers(one)).toBe('214343234')
    expect(one.cost.shifts).toBe(1)
    expect(at(arpeggio('C', { kind: 'diagonal', string: 0, at: 8, octaves: 2 }))).toBe(
      '6:8 5:7 5:10 4:10 3:9 3:12 2:13',
    )
    expect(arpeggio('Cmaj7', { kind: 'diagonal', string: 3, at: 5, octaves: 3 }).cut).toMatchObject({
      kind: 'fewer-octaves',
      wanted: 3,
    })
  })

  test('on any neck every root of a diagonal lies further up than the one before, and it tells where the neck ends', () => {
    fc.assert(
      fc.property(
        anyPlace,
        fc.nat(3),
        fc.integer({ min: 1, max: 4 }),
        ({ chord, neck, hand, part }, string, octaves) => {
          const one = arpeggioOf(chord, neck, hand, { kind: 'diagonal', string, at: positionIn(neck, part), octaves })
          const roots = one.notes.filter(({ degree }) => degree === 'R')
          for (const [index, root] of roots.entries())
            if (index > 0) expect(root.fret).toBeGreaterThanOrEqual((roots[index - 1]?.fret ?? 99) + 2)
          if (one.notes.length > 0) expect(one.cut === undefined).toBe(roots.length === octaves + 1)
          else expect(one.cut).toBeDefined()
          if (one.notes.length > 0) expect([one.notes[0], one.notes.at(-1)]).toEqual([roots[0], roots.at(-1)])
        },
      ),
    )
  })

  test('a choice that leaves no way through a rising line is given up, and no place far off is offered', () => {
    const way = { kind: 'diagonal', string: 0, at: 10, octaves: 1 } as const
    const one = arpeggio('Dm7b5', way)
    // F3 at the first fret of string 3 would send the hand back towards the nut.
    expect(at(arpeggio('Dm7b5', way, new Map([[60, 4]])))).toBe(at(one))
    for (const { fret } of one.others) expect(fret).toBeGreaterThanOrEqual((one.notes[0]?.fret ?? 0) - 4)
  })

  test('the strings of a voicing: nothing on the others', () => {
    const one = arpeggio('Ebmaj7', { kind: 'strings', strings: [1, 2, 3, 4], at: 6 })
    expect(new Set(one.notes.map(({ string }) => string))).toEqual(new Set([1, 2, 3, 4]))
    // Every place of the drop 2 voicing x6878x is among them.
    for (const place of ['5:6', '4:8', '3:7', '2:8']) expect(at(one)).toContain(place)
  })

  test('lines rise tone by tone through the chord, and no hand presses where it does not stand', () => {
    const anyWay = fc.oneof(
      fc.record({ kind: fc.constant('one-string' as const), string: fc.nat(3) }),
      fc.record({ kind: fc.constant('two-a-string' as const), at: fc.integer({ min: 1, max: 12 }) }),
      fc.record({
        kind: fc.constant('diagonal' as const),
        string: fc.nat(2),
        at: fc.integer({ min: 1, max: 9 }),
        octaves: fc.integer({ min: 1, max: 3 }),
      }),
      fc.record({
        kind: fc.constant('strings' as const),
        strings: fc.constant([1, 2, 3]),
        at: fc.integer({ min: 1, max: 12 }),
      }),
    )
    fc.assert(
      fc.property(anyPlace, anyWay, ({ chord, neck, hand }, way) => {
        const one = arpeggioOf(chord, neck, hand, way)
        for (const [index, note] of one.notes.entries()) {
          if (note.fret > 0) expect(Math.abs(note.fret - note.handAt - 1.5)).toBeLessThanOrEqual(2.5)
          const before = one.notes[index - 1]
          if (before) expect(note.midi).toBeGreaterThan(before.midi)
          if (before && way.kind !== 'strings') {
            const skipped = chord.formula.some((degree) => {
              const above = (pitchClassOf(chord.root) + degreePitchClass(degree) - before.midi + 120) % 12
              return above > 0 && before.midi + above < note.midi
            })
            expect(skipped && one.notes.length > 1 ? [before, note] : []).toEqual([])
          }
        }
      }),
    )
  })
})

describe('fingers', () => {
  test('the cheapest lines are those of trying everything', () => {
    fc.assert(
      fc.property(anyPlace, fc.boolean(), fc.boolean(), ({ chord, neck, hand, part }, stays, onlyUp) => {
        const position = positionIn(neck, part)
        const places = chordPlaces(chord, neck).filter(
          ({ fret }) => fret > 0 && fret >= position - 1 && fret <= position + 5,
        )
        const tones = byPitch(stays ? inPosition(places, neck, position) : places).slice(0, 4)
        const limits = stays ? { handAt: position } : { onlyUp }
        const slow = tones.length === 0 ? [] : everyLine(tones, neck, hand, limits).slice(0, 3)
        const quick = tones.length === 0 ? [] : fingerLine(tones, neck, hand, limits, 3).map(({ cost }) => cost.total)
        expect(quick).toEqual(slow.map((cost) => expect.closeTo(cost, 9)))
      }),
      { numRuns: 60 },
    )
  })

  test('other lines are offered, each on other strings, dearer ones later', () => {
    const { lines } = arpeggio('C', { kind: 'diagonal', string: 0, at: 3, octaves: 2 })
    expect(lines.length).toBeGreaterThan(1)
    expect(new Set(lines.map(({ notes }) => notes.map(({ string }) => string).join())).size).toBe(lines.length)
    for (const [index, line] of lines.entries())
      if (index > 0) expect(line.cost.total).toBeGreaterThanOrEqual(lines[index - 1]?.cost.total ?? 0)
  })
})

test('positions: one for each stand of the hand; the ones that lie well have no gap', () => {
  const all = positionsOf(chord('Cmaj7'), standard, MEDIUM_HAND)
  expect(all.map(({ at }) => at)).toEqual(Array.from({ length: all.length }, (_, index) => index + 1))
  const well = all.filter(({ liesWell }) => liesWell)
  expect(well.length).toBeGreaterThanOrEqual(3)
  expect(well.every(({ gaps }) => gaps === 0)).toBe(true)
})

test('where strings stand far apart a hand misses tones, and such a position does not lie well however easy it is', () => {
  const fifths = neckOf({ ...STANDARD_INSTRUMENT, tuning: must(readKnownTuning('all fifths')) })
  const all = ['Cmaj7', 'C', 'Am7', 'G9'].flatMap((symbol) => positionsOf(chord(symbol), fifths, MEDIUM_HAND))
  const easiest = all.filter(
    (one, index) => one.effort < (all[index - 1]?.effort ?? 99) && one.effort <= (all[index + 1]?.effort ?? 99),
  )
  expect(easiest.some(({ gaps }) => gaps > 0)).toBe(true)
  expect(all.filter(({ liesWell }) => liesWell).every(({ gaps }) => gaps === 0)).toBe(true)
})

describe('the order of playing', () => {
  const { notes } = arpeggio('Cmaj7', { kind: 'position', at: 7 })
  const played = (order: Partial<Parameters<typeof playingOrder>[1]>) =>
    playingOrder(notes, { from: 'R', direction: 'up', pattern: 'straight', ...order })
      .map((index) => notes[index]?.degree)
      .join(' ')

  test.each([
    ['from root to root', {}, 'R 3 5 7 R 3 5 7 R'],
    ['from the lowest tone', { from: 'lowest' }, '7 R 3 5 7 R 3 5 7 R'],
    ['down', { direction: 'down', octaves: 1 }, 'R 7 5 3 R'],
    ['up and down', { direction: 'up-down', octaves: 1 }, 'R 3 5 7 R 7 5 3 R'],
    ['round, with the tones below', { direction: 'round', octaves: 1 }, 'R 3 5 7 R 7 5 3 R 7 R'],
    ['from the third', { from: '3' }, '3 5 7 R 3'],
    ['1 3 2 4', { pattern: 'broken', octaves: 1 }, 'R 5 3 7 5 R 7 R'],
    ['in threes', { pattern: 'threes', octaves: 1 }, 'R 3 5 3 5 7 5 7 R'],
    ['in fours', { pattern: 'fours', octaves: 1 }, 'R 3 5 7 3 5 7 R'],
  ] as const)('%s', (_, order, expected) => expect(played(order)).toBe(expected))

  test('a degree that the line has not is no order', () => expect(played({ from: '9' })).toBe(''))

  test('it starts and ends where it is asked to, in any chord, place, direction and pattern', () => {
    const anyOrder = fc.record({
      direction: fc.constantFrom(...DIRECTIONS),
      pattern: fc.constantFrom(...PATTERNS),
      octaves: fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
      step: fc.nat(6),
      lowest: fc.boolean(),
    })
    fc.assert(
      fc.property(anyPlace, anyOrder, ({ chord, neck, hand, part }, { direction, pattern, octaves, step, lowest }) => {
        const { notes } = arpeggioOf(chord, neck, hand, { kind: 'position', at: positionIn(neck, part) })
        const from = lowest ? 'lowest' : (chord.formula[step % chord.formula.length] ?? 'R')
        const order = playingOrder(notes, { from, direction, pattern, octaves })
        const starts = notes.filter(({ degree }) => lowest || degree === from)
        const low = starts[0]
        if (!low) return expect(order).toEqual([])
        const top = octaves === undefined ? 999 : low.midi + 12 * octaves
        const high = starts.findLast(({ midi }) => midi <= top)
        const ends = { up: [low, high], down: [high, low], 'up-down': [low, low], round: [low, low] }[direction]
        expect([notes[order[0] as number], notes[order.at(-1) as number]]).toEqual(ends)
      }),
    )
  })
})
