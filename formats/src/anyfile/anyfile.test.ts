import { readChart } from '@nestling/core/chart'
import { STANDARD_TUNING } from '@nestling/core/neck'
import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { writeChordPro } from '../chordpro/index.ts'
import { MOST_FILE_BYTES, MOST_LINE } from '../file/index.ts'
import { writeMusicXml } from '../musicxml/index.ts'
import { EMPTY_TABLES, NOTEBOOK_VERSION, writeNotebook } from '../notebook/index.ts'
import { writeTab } from '../tab/index.ts'
import { readFile } from './index.ts'

const bytes = (text: string) => new TextEncoder().encode(text)
const { chart } = readChart('title: Kettle Song\n| C | F |')
const tune = {
  tune: { chart, tuning: STANDARD_TUNING, shapes: [[{ frets: [null, 3, 2, 0, 1, 0] }], [undefined]] },
  remarks: [],
}

describe('what a file is, is told by what it begins with', () => {
  test.each([
    ['a.txt', bytes(writeChordPro(tune)), 'chordpro'],
    ['a.txt', bytes(writeTab(tune)), 'tab'],
    ['a.txt', bytes(writeMusicXml(tune)), 'musicxml'],
    ['a.mxl', zipSync({ 'a.xml': strToU8(writeMusicXml(tune)) }), 'musicxml'],
    ['a.txt', bytes('chord,frets,tuning\nC,x32010,"E2,A2,D3,G3,B3,E4"'), 'csv'],
    ['a.txt', bytes(writeNotebook(EMPTY_TABLES, '')), 'notebook'],
  ])('%s (%#) is %s', (name, file, kind) => expect(readFile(name, file)).toMatchObject({ ok: true, value: { kind } }))
})

describe('each kind of broken file is refused in its own way', () => {
  const latin1 = Uint8Array.from(
    [...'{title: Caf'].map((sign) => sign.charCodeAt(0)).concat([0xe9, ...bytes('}\n{sog}\n| C |')]),
  )
  test.each([
    ['nothing', new Uint8Array(), 'empty', 0],
    ['too large', new Uint8Array(MOST_FILE_BYTES + 1).fill(65), 'too_large', 0],
    ['a picture', bytes('\u0089PNG').slice(1), 'binary', 0],
    ['a PDF', bytes('%PDF-1.7 and more'), 'binary', 0],
    ['UTF-16', Uint8Array.from([0xff, 0xfe, 65, 0]), 'utf16', 0],
    ['a NUL in the third line', bytes('a\nb\nc\u0000'), 'nul', 3],
    ['a line without end', bytes(`a\n${'-'.repeat(MOST_LINE + 1)}`), 'long_line', 2],
    ['a text of no kind', bytes('Dear Marit,\nsee you on Friday'), 'unknown_format', 0],
    ['an entity', bytes('<!DOCTYPE a [<!ENTITY b "c">]><score-partwise/>'), 'doctype', 1],
    ['broken XML', bytes('<score-partwise>\n<part></score-partwise>'), 'not_xml', 2],
    ['broken JSON', bytes('{"format": "nestling-notebook",'), 'not_json', 0],
    ['another JSON', bytes('{"name": "package"}'), 'not_notebook', 0],
    [
      'a newer notebook',
      bytes(`{"format":"nestling-notebook","version":${NOTEBOOK_VERSION + 1}}`),
      'newer_notebook',
      0,
    ],
    ['deep JSON', bytes(`{"format":${'['.repeat(99)}`), 'too_deep', 1],
    ['a table of something else', bytes('name,frets,tuning\nx,1,2'), 'missing_column', 1],
  ])('%s', (_what, file, code, line) =>
    expect(readFile('file.txt', file)).toMatchObject({ ok: false, error: { code, line } }),
  )

  test('with a mark of UTF-8 or as Latin-1 it is read, and Latin-1 is told', () => {
    const marked = Uint8Array.from([0xef, 0xbb, 0xbf, ...bytes('{title: Café}\n{sog}\n| C |')])
    for (const [file, left] of [
      [marked, []],
      [latin1, [{ code: 'latin1', line: 0, text: '' }]],
    ] as const) {
      const read = readFile('song.cho', file)
      if (!read.ok || read.value.kind === 'notebook') throw new Error('not read')
      expect(read.value.read.tunes[0]?.tune.chart.title).toBe('Café')
      expect(read.value.left).toEqual(left)
    }
  })

  test('whatever bytes come, an answer comes and nothing is thrown', () =>
    fc.assert(
      fc.property(
        fc.uint8Array({ maxLength: 300 }),
        fc.constantFrom('a.mid', 'a.xml', 'a.cho', 'a.json', 'a.csv', 'a.txt'),
        (file, name) => {
          const read = readFile(name, file)
          expect(typeof read.ok).toBe('boolean')
          if (!read.ok) expect(read.error.code.length).toBeGreaterThan(2)
        },
      ),
    ))
})
