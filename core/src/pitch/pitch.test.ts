import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type Degree,
  degreeBetween,
  degreePitchClass,
  degreeSemitones,
  midiOf,
  type NamingSystem,
  NOTE_NAMES,
  parseDegree,
  pitchAt,
  pitchClassOf,
  plainName,
  readNote,
  readPitch,
  spellDegree,
  spellingsOf,
  withSigns,
  writeNote,
} from './index.ts'

describe('the spelling follows the degree', () => {
  test.each([
    ['A', '#5', 'E#'], // a fifth above A is some kind of E, never F
    ['C', 'bb7', 'Bbb'], // the seventh is some kind of B, never A
    ['C', '#11', 'F#'],
    ['Eb', 'b3', 'Gb'],
    ['F#', '3', 'A#'],
    ['Cb', '4', 'Fb'],
    ['G#', '7', 'F##'],
    ['B', 'b9', 'C'],
    ['Db', 'b13', 'Bbb'],
  ] as const)('%s with %s is %s', (root, degree, note) => expect(spellDegree(root, degree)).toBe(note))

  test('a spelling that would need three accidentals is refused, not respelled', () => {
    expect(spellDegree('D##', '3')).toBeUndefined()
    expect(spellDegree('Fb', 'bb7')).toBeUndefined()
  })

  test('every spelled degree sounds as many semitones above the root as the degree says', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...NOTE_NAMES),
        fc.constantFrom<Degree>('R', 'b3', '3', '#4', 'b5', '#5', 'bb7', '7', 'b9', '#9', '#11', 'b13'),
        (root, degree) => {
          const note = spellDegree(root, degree)
          fc.pre(note !== undefined)
          expect((pitchClassOf(note as 'C') - pitchClassOf(root) + 12) % 12).toBe(degreePitchClass(degree))
        },
      ),
    )
  })

  test.each([
    ['C', 'G#', '#5'],
    ['C', 'Ab', 'b6'],
    ['D', 'F#', '3'],
    ['A', 'A', 'R'],
  ] as const)('over %s the note %s is %s', (root, note, degree) => expect(degreeBetween(root, note)).toBe(degree))
})

test.each([
  ['R', 0],
  ['b3', 3],
  ['#4', 6],
  ['bb7', 9],
  ['9', 14],
  ['#9', 15],
  ['11', 17],
  ['13', 21],
] as const)('degree %s lies %d semitones above the root', (degree, semitones) =>
  expect(degreeSemitones(degree)).toBe(semitones),
)

test.each([
  ['♭3', 'b3'],
  ['1', 'R'],
  ['𝄫7', 'bb7'],
  ['♯11', '#11'],
  ['8', undefined],
  ['x9', '##9'],
])('the degree written %s is read as %s', (text, degree) => expect(parseDegree(text)).toBe(degree))

describe('octaves belong to the letter', () => {
  test.each([
    ['C', 4, 60],
    ['B#', 3, 60],
    ['Cb', 4, 59],
    ['E', 2, 40],
    ['F##', 3, 55],
  ] as const)('%s%d is MIDI %d', (name, octave, midi) => {
    expect(midiOf({ name, octave })).toBe(midi)
    expect(pitchAt(name, midi)).toEqual({ name, octave })
  })
  test('a name that does not sound as the key is our bug', () =>
    expect(() => pitchAt('C', 61)).toThrow('C does not sound as 61'))
})

describe('three ways to name notes', () => {
  test.each([
    ['B', 'german', 'H'],
    ['Bb', 'german', 'B'],
    ['F#', 'german', 'Fis'],
    ['Eb', 'german', 'Es'],
    ['Ab', 'german', 'As'],
    ['Bbb', 'german', 'Heses'],
    ['D', 'syllables', 'ré'],
    ['Gb', 'syllables', 'sol♭'],
    ['F##', 'letters', 'F𝄪'],
  ] as const)('%s in %s is %s', (name, system, text) => expect(writeNote(name, system)).toBe(text))

  test('what is written in a system is read in it as the same note', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...NOTE_NAMES),
        fc.constantFrom<NamingSystem>('letters', 'syllables', 'german'),
        (name, system) => {
          expect(readNote(writeNote(name, system), [system, 'letters'])).toBe(name)
        },
      ),
    )
  })

  test.each([
    ['B', ['letters'], 'B'],
    ['B', ['german', 'letters'], 'Bb'],
    ['ré bémol', ['syllables'], 'Db'],
    ['Cx', ['letters'], 'C##'],
    ['f♯', ['letters'], 'F#'],
    ['H', ['letters'], undefined],
  ] as const)('%s with %j is read as %s', (text, systems, name) => expect(readNote(text, systems)).toBe(name))

  test.each([
    ['F#2', 42],
    ['B♭-1', 10],
    ['C10', undefined],
    ['E', undefined],
  ])('the pitch %s has MIDI number %s', (text, midi) => {
    const pitch = readPitch(text)
    expect(pitch && midiOf(pitch)).toBe(midi)
  })
})

test('a pitch class has its plain name, flat or sharp as asked', () => {
  expect(plainName(10)).toBe('Bb')
  expect(plainName(10, 'sharp')).toBe('A#')
  expect(plainName(4)).toBe('E')
  expect(spellingsOf(0).toSorted()).toEqual(['B#', 'C', 'Dbb'])
})

test.each([
  ['Bbb', 'B𝄫'],
  ['#11', '♯11'],
  ['R', 'R'],
  ['b', 'b'],
])('%s is shown as %s', (ascii, signs) => expect(withSigns(ascii)).toBe(signs))
