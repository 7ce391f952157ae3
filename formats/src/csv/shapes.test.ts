import { CATALOGUE, plainestRoot } from '@nestling/core/chord'
import { COMMON_TUNINGS } from '@nestling/core/neck'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type NamedShape, readShapesCsv, writeShapesCsv } from './index.ts'

const STANDARD = 'E2,A2,D3,G3,B3,E4'

test('whatever is written is read back: quotes, commas, line breaks and signs in names and notes too', () => {
  const word = fc.string({
    unit: fc.constantFrom('a', '"', ',', '\n', ' ', '♭', 'é', '=', '+', '-', '@', "'", '\t'),
    maxLength: 12,
  })
  const any = fc
    .record({ entry: fc.constantFrom(...CATALOGUE), root: fc.nat(11), tuning: fc.constantFrom(...COMMON_TUNINGS) })
    .chain(({ entry, root, tuning }) => {
      const strings = tuning.strings.length
      return fc.record({
        name: word.map((text) => `n${text}n`),
        note: word,
        tune: fc.constantFrom('Low Tide Waltz', 'Night "Heron"'),
        tags: fc.constantFrom(['trio'], ['trio', 'small hall']),
        shape: fc.record({
          chord: fc.constant({ root: plainestRoot(root, entry.formula), formula: entry.formula }),
          frets: fc
            .array(fc.option(fc.nat(24)), { minLength: strings, maxLength: strings })
            .filter((frets) => frets.some((fret) => fret !== null)),
          tuning: fc.constant({ ...tuning, name: tuning.strings.map(({ name }) => name).join(' ') }),
        }),
      })
    })
  fc.assert(
    fc.property(fc.array(any, { minLength: 1, maxLength: 6 }), (shapes: readonly NamedShape[]) => {
      expect(readShapesCsv(writeShapesCsv(shapes))).toEqual({ shapes, problems: [] })
    }),
  )
})

test('columns in any order, a byte order mark and empty lines are no trouble', () =>
  expect(readShapesCsv(`\uFEFFTuning,Frets,Chord\r\n"${STANDARD}",x6878x,Ebmaj7\r\n\r\n`)).toMatchObject({
    shapes: [{ name: 'Ebmaj7', shape: { frets: [null, 6, 8, 7, 8, null] } }],
    problems: [],
  }))

test('a line that is no shape is told with its place, and the others are read', () => {
  const text = `chord,frets,tuning\nEbmaj7,x6878x,"${STANDARD}"\nnot a chord,x6878x,"${STANDARD}"\nC,x3201,"${STANDARD}"\nC,"x3`
  const { shapes, problems } = readShapesCsv(text)
  expect(shapes).toHaveLength(1)
  expect(problems).toMatchObject([
    { code: 'not_a_shape', line: 3, error: { field: 'chord' } },
    { code: 'not_a_shape', line: 4, error: { field: 'frets', code: 'fret_count' } },
    { code: 'not_csv', line: 5 },
  ])
})

test('without its columns nothing is read, and each that is missing is named', () =>
  expect(readShapesCsv('name,chord\nx,C').problems).toEqual([
    { code: 'missing_column', line: 1, column: 'frets' },
    { code: 'missing_column', line: 1, column: 'tuning' },
  ]))

test('no cell begins as a formula does, and what began so is read back as it was', () => {
  const shape = {
    chord: { root: 'C', formula: ['R', '3', '5'] },
    frets: [null, 3, 2, 0, 1, 0],
    tuning: COMMON_TUNINGS[0],
  } as never
  const names = ['=1+1', '+1', '-1', '@x', "'=1", "''", "'a", '\t=1']
  const text = writeShapesCsv(names.map((name) => ({ name, note: name, shape, tune: name })))
  expect(
    text
      .split('\r\n')
      .slice(1)
      .filter((line) => /(^|,)"?[=+@\t-]/.test(line)),
  ).toEqual([])
  expect(readShapesCsv(text).shapes.map(({ name, note, tune }) => [name, note, tune])).toEqual(
    names.map((name) => [name, name, name]),
  )
})
