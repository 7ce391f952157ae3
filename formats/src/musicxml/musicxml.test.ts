import { playedChart, readChart, writtenOnce, writtenOut } from '@nestling/core/chart'
import { CATALOGUE } from '@nestling/core/chord'
import { STANDARD_TUNING } from '@nestling/core/neck'
import { beatsInBar } from '@nestling/core/time'
import fc from 'fast-check'
import { XMLValidator } from 'fast-xml-parser'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { anyTune, heard, onlyTune } from '../tune/tunes.testkit.ts'
import { DIVISIONS, formulaOfKind, isZip, KINDS, kindOf, readMusicXml, scoreInZip, writeMusicXml } from './index.ts'
import { childOf, childrenOf, numberIn, readXml, textIn } from './xml.ts'

const back = (text: string) => {
  const reading = readMusicXml(text)
  if (!reading.ok) throw new Error(`${reading.error.code} ${reading.error.line} ${reading.error.text}`)
  return reading.value
}
const tree = (text: string) => {
  const xml = readXml(text)
  if (!xml.ok) throw new Error(xml.error.code)
  return xml.value
}

/** In which order the published schema asks for what stands in these elements. */
const ORDER: Readonly<Record<string, readonly string[]>> = {
  'score-partwise': ['work', 'identification', 'part-list', 'part'],
  attributes: ['divisions', 'key', 'time', 'staves', 'clef', 'staff-details'],
  'staff-details': ['staff-lines', 'staff-tuning'],
  'staff-tuning': ['tuning-step', 'tuning-alter', 'tuning-octave'],
  harmony: ['root', 'kind', 'bass', 'degree', 'frame', 'offset', 'staff'],
  frame: ['frame-strings', 'frame-frets', 'first-fret', 'frame-note'],
  'frame-note': ['string', 'fret', 'fingering'],
  note: [
    'chord',
    'rest',
    'pitch',
    'duration',
    'tie',
    'voice',
    'type',
    'dot',
    'time-modification',
    'staff',
    'notations',
  ],
  barline: ['bar-style', 'ending', 'repeat'],
  pitch: ['step', 'alter', 'octave'],
  degree: ['degree-value', 'degree-alter', 'degree-type'],
  direction: ['direction-type', 'sound'],
}

function inOrder(element: ReturnType<typeof tree>): void {
  const order = ORDER[element.name]
  if (order) {
    const places = element.children.map(({ name }) => order.indexOf(name))
    expect(places, element.name).toEqual(places.toSorted((a, b) => a - b))
    expect(places).not.toContain(-1)
  }
  for (const child of element.children) inOrder(child)
}

describe('chord kinds', () => {
  test('every formula of the catalogue is a kind with degrees, and comes back', () => {
    for (const { formula, suffix } of CATALOGUE) {
      const { kind, degrees } = kindOf(formula)
      expect(formulaOfKind(kind, degrees), suffix).toEqual(formula)
    }
  })
  test.each([
    ['R b3 b5 b7', 'half-diminished', []],
    ['R 3 5 b7 b9', 'dominant', [{ value: 9, alter: -1, type: 'add' }]],
    ['R 3 5 7 9', 'major-ninth', []],
    // The format's thirteenth has an eleventh: a chord without it is a ninth with the thirteenth added.
    ['R 3 5 b7 9 13', 'dominant-ninth', [{ value: 13, alter: 0, type: 'add' }]],
  ] as const)('%s is %s', (formula, kind, degrees) =>
    expect(kindOf(formula.split(' ') as never)).toEqual({ kind, degrees }),
  )
  test('an altered degree counts from the one the kind has', () => {
    expect(formulaOfKind('dominant', [{ value: 5, alter: 1, type: 'alter' }])).toEqual(['R', '3', '#5', 'b7'])
    expect(formulaOfKind('nonsense', [])).toBeUndefined()
    expect(Object.keys(KINDS)).toHaveLength(25)
  })
})

describe('MusicXML', () => {
  test('a tune comes back: time, marks, every harmony its formula, every frame its shape', () =>
    fc.assert(
      fc.property(anyTune, (tune) => {
        const text = writeMusicXml({ tune, remarks: ['{capo: 2}'] })
        const { tunes, left } = back(text)
        expect(heard(onlyTune(tunes))).toEqual(heard(tune))
        expect(tunes[0]?.remarks).toEqual(['{capo: 2}'])
        expect(left.map(({ code }) => code).filter((code) => code !== 'notes_left')).toEqual([])
      }),
      { numRuns: 60 },
    ))

  test('it is well-formed, in the schema’s order, and in every bar both staves last as long as the bar', () =>
    fc.assert(
      fc.property(anyTune, (tune) => {
        const text = writeMusicXml({ tune, remarks: [] })
        expect(XMLValidator.validate(text)).toBe(true)
        const score = tree(text)
        inOrder(score)
        const { bars } = playedChart(writtenOnce(writtenOut(tune).chart))
        const measures = childrenOf(childOf(score, 'part'), 'measure')
        expect(measures).toHaveLength(bars.length)
        for (const [index, measure] of measures.entries()) {
          const wanted = Math.round(beatsInBar(bars[index]?.metre ?? tune.chart.metre) * DIVISIONS)
          for (const staff of ['1', '2']) {
            const notes = childrenOf(measure, 'note').filter(
              (note) => textIn(note, 'staff') === staff && !childOf(note, 'chord'),
            )
            expect(notes.reduce((sum, note) => sum + (numberIn(note, 'duration') ?? 0), 0)).toBe(wanted)
          }
          expect(numberIn(childOf(measure, 'backup'), 'duration')).toBe(wanted)
        }
      }),
      { numRuns: 60 },
    ))

  test('TAB and staff hold the same notes: each string and fret sounds its pitch', () => {
    const { chart } = readChart('title: Slow Ferry\nkey: Ab\n4/4 bossa =112\n| Fm9 |')
    const text = writeMusicXml({
      tune: { chart, tuning: STANDARD_TUNING, shapes: [[{ frets: [null, 8, 6, 8, 8, null] }]] },
      remarks: [],
    })
    const notes = childrenOf(childOf(tree(text), 'part', 'measure'), 'note')
    const pitch = (note: (typeof notes)[number]) =>
      `${textIn(note, 'pitch', 'step')}${numberIn(note, 'pitch', 'alter') === -1 ? 'b' : ''}${textIn(note, 'pitch', 'octave')}`
    expect(notes.map(pitch)).toEqual(['F3', 'Ab3', 'Eb4', 'G4', 'F3', 'Ab3', 'Eb4', 'G4'])
    expect(
      notes
        .slice(4)
        .map((note) => [
          numberIn(note, 'notations', 'technical', 'string'),
          numberIn(note, 'notations', 'technical', 'fret'),
        ]),
    ).toEqual([
      [5, 8],
      [4, 6],
      [3, 8],
      [2, 8],
    ])
    expect(text).toContain('<fifths>-4</fifths>')
    expect(text).toContain('<sound tempo="112"')
  })

  test('repeats and endings are signs at the lines', () => {
    const { chart } = readChart('|: C | 1. F :| 2. G |')
    const text = writeMusicXml({ tune: { chart, tuning: STANDARD_TUNING, shapes: [[], [], []] }, remarks: [] })
    expect(text.match(/<repeat direction="(\w+)"/g)).toEqual([
      '<repeat direction="forward"',
      '<repeat direction="backward"',
    ])
    expect(text.match(/<ending number="\d" type="\w+"/g)).toEqual([
      '<ending number="1" type="start"',
      '<ending number="1" type="stop"',
      '<ending number="2" type="start"',
      '<ending number="2" type="discontinue"',
    ])
    expect(heard(onlyTune(back(text).tunes)).marks).toEqual(
      heard({ chart, tuning: STANDARD_TUNING, shapes: [[], [], []] }).marks,
    )
  })

  test('a pickup becomes a bar of its own with rests before, and is told', () => {
    const note = (beats: number) => `<note><rest/><duration>${beats}</duration></note>`
    const chord = (step: string) => `<harmony><root><root-step>${step}</root-step></root><kind>major</kind></harmony>`
    const text = `<score-partwise><part id="P1"><measure number="0" implicit="yes"><attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>${chord('G')}${note(1)}</measure><measure number="1">${chord('C')}${note(4)}</measure></part></score-partwise>`
    const { tunes, left } = back(text)
    expect(left).toContainEqual({ code: 'pickup', line: 1, text: '' })
    expect(tunes[0]?.tune.chart.bars[0]?.slots.map(({ kind }) => kind)).toEqual(['rest', 'rest', 'rest', 'chord'])
  })

  test.each([
    ['<score-partwise>', 'not_xml'],
    ['<!DOCTYPE lolz [<!ENTITY a "b"><!ENTITY c "&a;&a;">]><score-partwise>&c;</score-partwise>', 'doctype'],
    [`${'<a>'.repeat(200)}${'</a>'.repeat(200)}`, 'too_deep'],
    ['<score-timewise></score-timewise>', 'timewise'],
    ['<html></html>', 'not_musicxml'],
    ['<score-partwise><part id="P1"><measure/></part></score-partwise>', 'no_chords'],
  ])('%s is refused as %s', (text, code) => expect(readMusicXml(text)).toMatchObject({ ok: false, error: { code } }))
})

describe('compressed MusicXML', () => {
  const { chart } = readChart('| C |')
  const score = strToU8(writeMusicXml({ tune: { chart, tuning: STANDARD_TUNING, shapes: [[]] }, remarks: [] }))
  test('the score that its container names is unpacked', () => {
    const bytes = zipSync({
      'META-INF/container.xml': strToU8(
        '<container><rootfiles><rootfile full-path="tune.xml"/></rootfiles></container>',
      ),
      'other.xml': strToU8('<x/>'),
      'tune.xml': score,
    })
    expect(isZip(bytes)).toBe(true)
    expect(scoreInZip(bytes)).toEqual({ ok: true, value: score })
  })
  test.each([
    ['a bomb', zipSync({ 'tune.xml': new Uint8Array(6 * 1024 * 1024) }), 'zip_too_large'],
    ['one that says it is gigantic', gigantic(score), 'zip_too_large'],
    ['without a score', zipSync({ 'picture.png': new Uint8Array(9) }), 'zip_without_score'],
    ['a path out of it', zipSync({ '../tune.xml': score }), 'zip_without_score'],
    ['a broken one', zipSync({ 'tune.xml': score }).slice(0, 60), 'not_zip'],
  ])('%s is refused', (_what, bytes, code) => expect(scoreInZip(bytes)).toMatchObject({ ok: false, error: { code } }))
})

/** What an archive says of an entry stands in its directory, at the end: 24 bytes into the entry. */
function gigantic(file: Uint8Array): Uint8Array {
  const bytes = zipSync({ 'tune.xml': file })
  const at = bytes.findIndex(
    (byte, index) => byte === 0x50 && bytes[index + 1] === 0x4b && bytes[index + 2] === 1 && bytes[index + 3] === 2,
  )
  bytes.set([0xf0, 0xff, 0xff, 0xff], at + 24)
  return bytes
}

test('a chord between two beats goes to the nearer one, and that is told with its bar', () => {
  const harmony = (offset: number) =>
    `<harmony><root><root-step>C</root-step></root><kind>major</kind><offset>${offset}</offset></harmony>`
  const text = `<score-partwise><part id="P1"><measure number="1"><attributes><divisions>4</divisions></attributes>${harmony(0)}${harmony(7)}<note><rest/><duration>16</duration></note></measure></part></score-partwise>`
  const { tunes, left } = back(text)
  expect(onlyTune(tunes).chart.bars[0]?.slots.map(({ kind }) => kind)).toEqual(['chord', 'hold', 'chord', 'hold'])
  expect(left).toContainEqual({ code: 'moved', line: 1, text: '1' })
})
