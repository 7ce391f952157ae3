import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, writeSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { writeFrets } from '../voicing/index.ts'
import { type Question, readTypedLine, readWhatCanBe, writeQuestion } from './index.ts'
import { PLAYER } from './player.testkit.ts'

const read = (line: string, before?: Question) => {
  const typed = readTypedLine(line, PLAYER, before)
  if (!typed.ok) throw new Error(`${line}: ${typed.error.code} at ${typed.error.at}`)
  return typed.value
}
const question = (line: string, before?: Question) => read(line, before).question
const params = (line: string, before?: Question) => writeQuestion(question(line, before), 6)
const inHand = question('Ebmaj7 drop2 5432')

describe('wishes alone are about the chord in hand', () => {
  test.each([
    ['drop3 6432', { chord: 'Ebmaj7', arrangement: 'drop-3', strings: '6432' }],
    ['Drop3 6432', { chord: 'Ebmaj7', arrangement: 'drop-3', strings: '6432' }],
    ['2nd inversion', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', bass: '5' }],
    ['root position', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', bass: 'R' }],
    ['rootless', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', omit: 'R' }],
    ['no 5', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', omit: '5' }],
    ['triad', { chord: 'Eb', arrangement: 'drop-2', strings: '5432' }],
    ['power chord', { chord: 'Eb5', arrangement: 'drop-2', strings: '5432' }],
    ['fret 5', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', fretMin: '5', fretMax: '9' }],
    ['7th fret', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', fretMin: '7', fretMax: '11' }],
    ['frets 3-8', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', fretMin: '3', fretMax: '8' }],
    ['frets 3 to 8', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', fretMin: '3', fretMax: '8' }],
    ['in open G', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', tuning: 'D2,G2,D3,G3,B3,D4' }],
    ['barre', { chord: 'Ebmaj7', manner: 'barre' }],
    ['any strings any', { chord: 'Ebmaj7' }],
    ['5th top', { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432', top: '5' }],
  ])('%s', (line, expected) => expect(params(line, inHand)).toEqual(expected))

  test('without anything in hand they are about nothing', () =>
    expect(readTypedLine('drop3 6432', PLAYER)).toMatchObject({ ok: false, error: { code: 'nothing_typed', at: 0 } }))
})

describe('frets are taken into hand and named', () => {
  test.each([
    ['x3545x', 'x3545x', 'Cmaj7'],
    ['5 x 5 5 4 x', '5x554x', 'Am7b5'],
    ['x-10-12-10-12-x', 'x-10-12-10-12-x', 'G7'],
    ['x32010', 'x32010', 'C'],
    ['320003', '320003', 'G'],
    ['3 2 0 0 0 3', '320003', 'G'],
    ['133211', '133211', 'F'],
    ['5x55xx', '5x55xx', 'Am7'],
    ['x2323x', 'x2323x', 'Bm7b5'],
  ])('%s', (line, frets, chord) => {
    const typed = read(line, inHand)
    expect([typed.frets && writeFrets(typed.frets), writeSymbol(typed.question.chord, { ascii: true })]).toEqual([
      frets,
      chord,
    ])
  })
  test.each(['654321', '5432', '6 4 3 2'])('%s are strings', (line) =>
    expect([read(line, inHand).frets, params(line, inHand)['strings']]).toEqual([undefined, line.replaceAll(' ', '')]),
  )
  test.each([
    ['x3545', 'frets_missing'],
    ['x354', 'frets_missing'],
    ['x35', 'fret_count'],
    ['x3545xx', 'fret_count'],
    ['F#7=x32010', 'not_the_shape'],
    ['C=x-3-2-0-19-0', 'past_the_hand'],
    ['x-3-5-34-5-x', 'past_the_hand'],
    ['x-3-5-19-5-x', 'past_the_hand'],
  ])('%s is refused: %s', (line, code) =>
    expect(readTypedLine(line, PLAYER, inHand)).toMatchObject({ ok: false, error: { code } }),
  )
  test('a string or two fewer: which ones lie silent is proposed', () => {
    const choices = (line: string) => {
      const typed = readTypedLine(line, PLAYER, inHand)
      return !typed.ok && typed.error.code === 'frets_missing' ? typed.error.choices : undefined
    }
    expect(choices('5 x 5 5 4')).toEqual(['5x554x', 'x5x554'])
    expect(choices('x354')).toEqual(['x354xx', 'xx354x', 'xxx354'])
    for (const choice of choices('5 x 5 5 4') ?? []) expect(read(choice, inHand).frets).toHaveLength(6)
  })
  test.each([
    ['Gdim=xx532x', 'Gdim'],
    ['Am7 5x555x', 'Am7'],
    ['C6 5x555x', 'C6'],
  ])('%s: named as it is called there', (line, chord) => {
    expect(params(line, inHand)['chord']).toBe(chord)
    expect(read(line, inHand).frets).toBeDefined()
  })
  test.each([
    ['x32010 xx0232 320003', 'C x32010, D xx0232, G 320003'],
    ['C=x32010 Dm=xx0231', 'C x32010, Dm xx0231'],
    ['Am7 5x555x, C6 5x555x', 'Am7 5x555x, C6 5x555x'],
    ['| C x32010 | x02210 |', 'C x32010, Am x02210'],
  ])('%s are several, and change nothing that is asked', (line, told) => {
    const { shapes = [], question: asked } = read(line, inHand)
    expect(
      shapes.map(({ chord, frets }) => `${writeSymbol(chord, { ascii: true })} ${writeFrets(frets)}`).join(', '),
    ).toBe(told)
    expect(asked).toBe(inHand)
  })
  test('in another tuning they are of that neck', () =>
    expect(params('002230 in dadgad')).toMatchObject({ tuning: 'D2,A2,D3,G3,A3,D4' }))
})

describe('degrees', () => {
  test.each([
    ['3 7 R 5 on 6521', { chord: 'Ebmaj7', arrangement: '3-7-R-5', strings: '6521' }],
    ['R 5 7 3', { chord: 'Ebmaj7', arrangement: 'R-5-7-3', strings: '5432' }],
    ['R573', { chord: 'Ebmaj7', arrangement: 'R-5-7-3', strings: '5432' }],
    ['Cm7 R 5 7 3', { chord: 'Cm7', arrangement: 'R-5-b7-b3', strings: '5432' }],
    ['C R 5 R 3 on 5432', { chord: 'C', arrangement: 'R-5-R-3', strings: '5432', doubling: 'true' }],
    ['C7 R 7 3', { chord: 'C7', arrangement: 'R-b7-3', strings: '5432', omit: '5' }],
    ['m3 m3 m3', { chord: 'Ebdim7', arrangement: 'drop-2', strings: '5432' }],
    ['R b3 5 b7', { chord: 'Ebm7', arrangement: 'drop-2', strings: '5432' }],
    ['1 3 5', { chord: 'Eb', arrangement: 'drop-2', strings: '5432' }],
    ['A R 3 5', { chord: 'A', arrangement: 'drop-2', strings: '5432' }],
  ])('%s', (line, expected) => expect(params(line, inHand)).toEqual(expected))

  test('a tone that the chord lacks joins it', () =>
    expect(params('3 7 R 5', question('C'))).toEqual({ chord: 'Cmaj7', arrangement: '3-7-R-5' }))
})

describe('what is asked together holds together', () => {
  test.each([
    ['C no root 5th bass', { chord: 'C', omit: 'R', bass: '5' }],
    ['Cmaj9 rootless no 5', { chord: 'Cmaj9', omit: 'R,5' }],
    ['Cm7 third in the bass fifth on top no root', { chord: 'Cm7', bass: 'b3', top: '5', omit: 'R' }],
    ['Dm9 rootless', { chord: 'Dm9', omit: 'R' }],
    ['C9 rootless 432', { chord: 'C9', strings: '432', omit: 'R,5' }],
    ['G13 rootless 4321', { chord: 'G13', strings: '4321', omit: 'R,5' }],
    ['C7 rootless 432', { chord: 'C7', strings: '432', omit: 'R' }],
    ['C open position', { chord: 'C', open: 'allow', fretMax: '4' }],
    ['Am7 above fret 7', { chord: 'Am7', fretMin: '7', fretMax: '17' }],
    ['A triads', { chord: 'A' }],
    ['C7 shells on 643', { chord: 'C7', arrangement: 'shell', strings: '643' }],
    ['C7 at the nut', { chord: 'C7', open: 'allow', fretMax: '4' }],
    ['C7 from 5', { chord: 'C7', fretMin: '5', fretMax: '17' }],
    ['C7 up to 5', { chord: 'C7', fretMax: '5' }],
    ['C triad drop 2', { chord: 'C', arrangement: 'drop-2' }],
    ['E5', { chord: 'E5' }],
  ])('%s', (line, expected) => expect(params(line)).toEqual(expected))
  test.each([
    ['C 7th bass', 'not_a_chord_tone', 2],
    ['C no 7', 'not_a_chord_tone', 5],
    ['C 3rd inversion', 'not_a_chord_tone', 2],
    ['C fret 40', 'past_the_hand', 7],
    ['C frets 12 to 18', 'past_the_hand', 8],
    ['C frets 9 to 3', 'not_a_number', 8],
    ['C sideways', 'not_a_wish', 2],
    ['D major 1 4 5', 'not_a_wish', 8],
    ['D 2 5 1', 'not_a_wish', 2],
    ['Edim7 on string 6', 'one_string', 16],
    ['C7 from 40', 'past_the_hand', 8],
  ])('%s is refused: %s', (line, code, at) =>
    expect(readTypedLine(line, PLAYER, inHand)).toMatchObject({ ok: false, error: { code, at } }),
  )
})

test('what is left out ends an order of before that sounds it; one that does not goes on', () => {
  const order = question('Fmaj7 3 7 R 5 on 6521')
  expect(params('rootless', order)).toEqual({ chord: 'Fmaj7', strings: '6521', omit: 'R' })
  const shell = question('Fmaj7 R 7 3 on 643')
  expect(params('no 5', shell)).toMatchObject({ arrangement: 'R-7-3', omit: '5' })
})

test('this is G7 names what is in hand', () => {
  for (const line of ['this is G7', 'is G7', '= G7', 'it’s G7'])
    expect([read(line, inHand).states, params(line, inHand)['chord']]).toEqual([true, 'G7'])
  expect(read('G7', inHand).states).toBe(false)
})

test('wishes that a new chord does not name are kept, and told to be', () => {
  expect(read('Am', inHand).kept).toEqual(['arrangement', 'strings'])
  expect(read('Am close 432', inHand).kept).toEqual([])
  expect(read('Am', question('Ebmaj7 fret 5')).kept).toEqual(['frets'])
})

test('every symbol of the catalogue is a chord and no wish, with every root', () => {
  fc.assert(
    fc.property(fc.constantFrom(...CATALOGUE), fc.constantFrom('A', 'Bb', 'C', 'D', 'F#'), ({ formula }, root) => {
      const line = writeSymbol({ root: root as 'A', formula }, { ascii: true })
      expect(question(line, inHand).chord).toMatchObject({ root, formula })
    }),
  )
})

test('a field of an address that is wrong loses only itself', () => {
  const texts = { chord: 'Ebmaj7', arrangement: 'dorp-2', strings: '5432', bass: '9', tuning: 'nowhere', fretMin: '3' }
  const { question: left, error } = readWhatCanBe(texts, PLAYER, 'C')
  expect(writeQuestion(left, 6)).toEqual({ chord: 'Ebmaj7', strings: '5432', fretMin: '3' })
  expect(error).toMatchObject({ field: 'arrangement' })
  expect(writeQuestion(readWhatCanBe({ ...texts, chord: 'Q' }, PLAYER, 'C').question, 6)).toMatchObject({
    chord: 'C',
    strings: '5432',
  })
})

test('frets that any shape has are read back as that shape', () => {
  const neck = neckOf(STANDARD_INSTRUMENT)
  const fret = fc.option(fc.integer({ min: 0, max: neck.lastFret }), { freq: 4 })
  fc.assert(
    fc.property(fc.array(fret, { minLength: 6, maxLength: 6 }), (frets) => {
      const text = writeFrets(frets)
      fc.pre(frets.some((one) => one !== null) && /x/.test(text))
      expect(read(text, inHand).frets).toEqual(frets)
    }),
  )
})
