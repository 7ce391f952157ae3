import { expect, test } from 'vitest'
import { CATALOGUE, readSymbol } from '../chord/index.ts'
import { degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { SCALES, scalesFor } from './index.ts'

const named = (name: string) => SCALES.find((scale) => scale.name === name)?.degrees.join(' ')
const fits = (symbol: string) => scalesFor(must(readSymbol(symbol)))
const fit = (symbol: string, name: string) => fits(symbol).find(({ scale }) => scale.name === name)

test.each([
  ['Dorian', 'R 2 b3 4 5 6 b7'],
  ['Lydian', 'R 2 3 #4 5 6 7'],
  ['Locrian', 'R b2 b3 4 b5 b6 b7'],
  ['Lydian augmented', 'R 2 3 #4 #5 6 7'],
  ['Lydian dominant', 'R 2 3 #4 5 6 b7'],
  ['altered', 'R b2 b3 b4 b5 b6 b7'],
  ['Phrygian dominant', 'R b2 3 4 5 b6 b7'],
  ['altered bb7', 'R b2 b3 b4 b5 b6 bb7'],
  ['harmonic major', 'R 2 3 4 5 b6 7'],
])('%s is %s', (name, degrees) => expect(named(name)).toBe(degrees))

test.each([
  ['Cmaj7#11', 'Lydian'],
  ['C7#11', 'Lydian dominant'],
  ['Cmaj7#5', 'Lydian augmented'],
  ['C7', 'Mixolydian'],
  ['Dm7', 'Dorian'],
  ['Bm7b5', 'Locrian'],
  ['Cm(maj7)', 'melodic minor'],
  ['C7b9', 'Phrygian dominant'],
  ['C7#5#9', 'altered'],
  ['Bdim7', 'whole-half octatonic'],
  ['C7b9b13', 'Phrygian dominant'],
])('%s is held first of all by %s', (symbol, name) => expect(fits(symbol)[0]?.scale.name).toBe(name))

test('a minor seventh arpeggio and its pentatonic differ by one tone', () =>
  expect(fit('Am7', 'minor pentatonic')?.adds).toEqual(['4']))

test('a chord’s own names are kept: the altered scale over a 7♯9 has a ♯9 and a third', () => {
  const tones = fit('C7#5#9', 'altered')?.tones.map(({ degree }) => degree)
  expect(tones).toEqual(['R', 'b2', '#9', '3', 'b5', '#5', 'b7'])
})

test('parents and what rubs: C Dorian comes from B♭, and the fourth rubs over a major seventh', () => {
  expect(fit('Cm7', 'Dorian')?.parent).toBe('Bb')
  expect(fit('F#m7', 'Phrygian')?.parent).toBe('D')
  expect(fit('Cmaj7', 'major (Ionian)')?.rubs).toEqual(['4'])
  expect(fit('Cmaj7', 'Lydian')?.rubs).toEqual([])
})

test('every scale that is offered holds the chord, and no other scale does', () => {
  for (const { suffix, formula } of CATALOGUE) {
    const chord = { root: 'Eb', formula } as const
    const offered = new Set(scalesFor(chord).map(({ scale }) => scale))
    for (const scale of SCALES) {
      const places = new Set(scale.degrees.map(degreePitchClass))
      expect([suffix, scale.name, offered.has(scale)]).toEqual([
        suffix,
        scale.name,
        formula.every(
          (degree) =>
            places.has(degreePitchClass(degree)) ||
            (degree === '5' && formula.includes('3') && /^(7|9|13).*(b9|#9|b13)/.test(suffix)),
        ),
      ])
    }
  }
})

test('the parent scale has the very tones of its mode', () => {
  for (const { scale, tones, parent } of scalesFor({ root: 'Ab', formula: ['R', '3', '5'] })) {
    const home = SCALES.find((one) => one.family === scale.family && one.mode === 1)
    if (!home || scale.family === 'symmetrical' || scale.family === 'pentatonic') continue
    const expected = home.degrees.map((degree) => (pitchClassOf(parent) + degreePitchClass(degree)) % 12).sort()
    expect(tones.map(({ note }) => pitchClassOf(note)).sort()).toEqual(expected)
  }
})

test.each([
  ['C7#9', 'altered'],
  ['C7#9b13', 'altered'],
  ['C7#5', 'whole tone'],
  ['C9#5', 'whole tone'],
  ['C7sus4', 'Mixolydian'],
  ['C9sus4', 'Mixolydian'],
  ['C13b9', 'half-whole octatonic'],
  ['Cdim(maj7)', 'whole-half octatonic'],
])('over %s players take %s', (symbol, name) => expect(fits(symbol)[0]?.scale.name).toBe(name))

test('a scale does without the fifth only of a dominant with an altered ninth or thirteenth', () => {
  expect(fit('C7#9', 'altered')?.adds).not.toContain('5')
  expect(fit('C7', 'altered')).toBeUndefined()
  expect(fit('Cm7', 'Locrian')).toBeUndefined()
})
