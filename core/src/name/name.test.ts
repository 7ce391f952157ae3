import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, formulaKey, leftOutBesides, plainestRoot, readSymbol, writeSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { pitchClassOf, stepOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { type Frets, readFrets, searchVoicings, slide, voicingAt, voicingOf, writeFrets } from '../voicing/index.ts'
import { checkClaim, namesOf, namesOverBasses } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const shape = (text: string): Frets => must(readFrets(text))
const chord = (symbol: string) => must(readSymbol(symbol))
const _formula = (suffix: string) => chord(`C${suffix}`).formula
const _voicing = (symbol: string, text: string) => {
  const found = voicingOf(chord(symbol), shape(text), neck)
  if (!found) throw new Error(`${text} is no ${symbol}`)
  return found
}
const symbols = (text: string, context = {}) =>
  namesOf(shape(text), neck, context).map((name) => writeSymbol(name.chord, { ascii: true }))

describe('the names of a shape', () => {
  test.each([
    ['x6878x', 'Ebmaj7'],
    ['x02210', 'Am'],
    ['x32010', 'C'],
    ['x7978x', 'Em7'],
    ['x3233x', 'C9'], // the fifth is left out
    ['0x201x', 'C/E'],
    ['3x321x', 'F/G'],
    ['1x010x', 'Fdim7'],
    ['1x121x', 'F7'],
    ['xx0232', 'D'],
    ['x5756x', 'Dm7'],
  ])('%s is first of all %s', (text, expected) => expect(symbols(text)[0]).toBe(expected))

  test('C6 and Am7 are one sound: the bass decides which comes first', () => {
    expect(symbols('x3525x').slice(0, 2)).toEqual(['C6', 'Am7/C'])
    expect(symbols('5x555x').slice(0, 2)).toEqual(['Am7', 'C6/A'])
  })

  test('a rootless Cmaj9 is Em7 by itself, and Cmaj9 once a bass plays C', () => {
    expect(symbols('x7978x')).toContain('Cmaj9')
    expect(symbols('x7978x')[0]).toBe('Em7')
    expect(symbols('x7978x', { bass: 'C' })[0]).toBe('Cmaj9')
    expect(symbols('x7978x', { bass: 'E' })[0]).toBe('Em7')
  })

  test('a dim7 has four names, an augmented triad three; each is complete', () => {
    const complete = (text: string) =>
      namesOf(shape(text), neck).filter((name) => name.complete && name.role !== 'foreign')
    expect(complete('x3424x').map((name) => name.chord.formula.join(' '))).toEqual(Array(4).fill('R b3 b5 bb7'))
    expect(new Set(complete('x3424x').map((name) => pitchClassOf(name.chord.root))).size).toBe(4)
    const augmented = complete('x3211x').filter((name) => formulaKey(name.chord.formula) === 'R 3 #5')
    expect(augmented.map((name) => pitchClassOf(name.chord.root)).toSorted((a, b) => a - b)).toEqual([0, 4, 8])
  })

  test('in a known key the names that belong to it come first, spelled as the key spells', () => {
    const key = ['Db', 'Eb', 'F', 'Gb', 'Ab', 'Bb', 'C'] as const
    // G♭ B♭ D♭ F: G♭maj7 in D♭ major, F♯maj7 nowhere.
    expect(symbols('2x332x', { key })[0]).toBe('Gbmaj7')
    const names = namesOf(shape('x7978x'), neck, { key: ['C', 'D', 'E', 'F', 'G', 'A', 'B'] })
    const inKey = names.map((name) => name.chord.formula.length > 0 && 'CDEFGAB'.includes(name.chord.root))
    expect(inKey[0]).toBe(true)
  })

  test('a sound without a usual name is counted from its lowest tone', () => {
    const cluster = namesOf([null, null, 1, null, 2, 0], neck) // E♭ C♯ E
    expect(cluster.at(-1)).toMatchObject({ derived: true, complete: true })
  })

  test('one tone, or one tone in octaves, has no name', () => {
    expect(namesOf(shape('x3xxxx'), neck)).toEqual([])
    expect(namesOf(shape('x3x5xx'), neck)).toEqual([])
  })

  test('every voicing found for a chord is named as that chord, with the same degree on every string', () => {
    let named = 0
    const schools = ['drop-fifth', 'drop-root'] as const
    for (const { formula } of CATALOGUE)
      for (const school of schools) {
        const asked = { root: plainestRoot(named % 12, formula), formula }
        const found = searchVoicings({
          chord: asked,
          neck,
          arrangement: { kind: 'any' },
          school,
          doubling: false,
          fretMin: 1,
          fretMax: 8,
          reachLimitMm: 118,
          open: 'never',
        })
        for (let row = 0; row < found.count; row += 5) {
          const one = voicingAt(found, row, asked, neck)
          if (new Set(one.midis.flatMap((midi) => (midi === null ? [] : [midi % 12]))).size < 3) continue
          // Where an extension had to go too, what is left has names of its own.
          if (
            leftOutBesides(formula, one.degrees.filter((degree) => degree !== null).length).some(
              (degree) => stepOf(degree) > 7,
            )
          )
            continue
          const name = namesOf(one.frets, neck, { near: asked }).find(
            ({ chord: { root, formula: told } }) => root === asked.root && told === formula,
          )
          expect(name?.degrees, `${writeSymbol(asked)} ${writeFrets(one.frets)}`).toEqual(one.degrees)
          named++
        }
      }
    expect(named).toBeGreaterThan(1000)
  })

  test('a shape moved along the neck takes its names along', () => {
    let moved = 0
    const frets = fc.array(fc.option(fc.integer({ min: 1, max: 6 }), { nil: null, freq: 2 }), {
      minLength: 6,
      maxLength: 6,
    })
    fc.assert(
      fc.property(frets, fc.integer({ min: 1, max: 8 }), (start, by) => {
        const there = slide(start, neck, by)
        if (!there) return
        const told = (of: Frets, back: number) =>
          namesOf(of, neck).map(
            (name) =>
              `${(pitchClassOf(name.chord.root) - back + 12) % 12} ${formulaKey(name.chord.formula)} ${name.role} ${name.degrees.join()}`,
          )
        expect(told(there, by).toSorted()).toEqual(told(start, 0).toSorted())
        moved += told(start, 0).length
      }),
    )
    expect(moved).toBeGreaterThan(100)
  })

  test('over each bass note the shape has a name there, and its strings keep to it', () => {
    const over = namesOverBasses(shape('x7978x'), neck)
    expect(over).toHaveLength(12)
    expect(over.map((name) => pitchClassOf(name.bass))).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])
    expect(writeSymbol((over[0] as (typeof over)[0]).chord)).toBe('Cmaj9')
  })
})

describe('checking a claim', () => {
  test('right', () => expect(checkClaim(chord('Ebmaj7'), shape('x6878x'), neck).verdict).toBe('right'))
  test('right but incomplete: C9 without its fifth', () =>
    expect(checkClaim(chord('C9'), shape('x3233x'), neck)).toMatchObject({
      verdict: 'incomplete',
      missing: ['5'],
      defining: [],
    }))
  test('m7♭5 without its fifth is just as well m7', () => {
    const claim = checkClaim(chord('Am7b5'), shape('5x55xx'), neck)
    expect(claim).toMatchObject({ verdict: 'incomplete', missing: ['b5'], defining: ['b5'] })
    expect(claim.verdict === 'incomplete' && claim.justAsWell.map((one) => writeSymbol(one))).toContain('Am7')
  })
  test('wrong: the string, what it plays, and the fret that mends it', () =>
    expect(checkClaim(chord('Ebmaj7'), shape('x6868x'), neck)).toEqual({
      verdict: 'wrong',
      missing: ['7'],
      wrong: [
        {
          string: 3,
          fret: 6,
          fault: 'foreign',
          degree: 'b7',
          note: 'Db',
          mend: { fret: 7, by: 1, degree: '7', note: 'D' },
        },
      ],
    }))
  test('a slash bass that is not lowest is told on the lowest string', () =>
    expect(checkClaim(chord('C/E'), shape('x32010'), neck)).toMatchObject({
      verdict: 'wrong',
      wrong: [{ string: 1, fault: 'bass', degree: 'R', mend: { degree: '3', note: 'E' } }],
    }))
  test('every mend makes its string right', () => {
    let mended = 0
    const frets = fc.array(fc.integer({ min: 2, max: 9 }), { minLength: 4, maxLength: 4 })
    fc.assert(
      fc.property(
        frets,
        fc.constantFrom(...CATALOGUE.filter((entry) => entry.formula.length < 5)),
        (four, { formula }) => {
          const claimed = { root: 'A' as const, formula }
          let now: Frets = [null, ...four, null]
          const first = checkClaim(claimed, now, neck)
          if (first.verdict !== 'wrong') return
          for (const { string, mend } of first.wrong) if (mend) now = now.with(string, mend.fret)
          const after = checkClaim(claimed, now, neck)
          expect(after.verdict).not.toBe('wrong')
          mended++
        },
      ),
    )
    expect(mended).toBeGreaterThan(20)
  })
})
