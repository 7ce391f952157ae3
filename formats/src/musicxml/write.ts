/**
 * MusicXML 4.0, partwise: one part with a staff and its TAB, a `harmony` with its `frame` at every chord. Every written bar
 * stands once, with its repeats and endings as signs; `%` is written out.
 */

import { type ChartBar, type HeldChord, playedChart, writtenOnce, writtenOut, writtenTune } from '@nestling/core/chart'
import { type Chord, symbolSuffix } from '@nestling/core/chord'
import { type Key, signatureOf } from '@nestling/core/key'
import { alterationOf, letterOf, type Pitch } from '@nestling/core/pitch'
import { requireAt } from '@nestling/core/result'
import { neckFor } from '@nestling/core/shape'
import { beatsInBar, STROKE_PATTERNS, type WrittenEvent, type WrittenValue } from '@nestling/core/time'
import Builder from 'fast-xml-builder'
import { barsOf, type FileTune, type WrittenBarOf, type WrittenChord } from '../tune/index.ts'
import { kindOf } from './kinds.ts'

/** As deep as the builder takes them: a name, then attributes and children in order. */
type Node = { readonly [name: string]: readonly Node[] | string | number } | { readonly ':@': object }
const node = (name: string, children: readonly Node[] | string | number = [], attributes?: object): Node =>
  ({
    [name]: Array.isArray(children) ? children : [{ '#text': children }],
    ...(attributes ? { ':@': attributes } : {}),
  }) as Node

/** Ticks in a quarter note: sixteenths and triplets both are whole. */
export const DIVISIONS = 12
const TYPES: Readonly<Record<WrittenValue, string>> = {
  whole: 'whole',
  half: 'half',
  quarter: 'quarter',
  eighth: 'eighth',
  sixteenth: '16th',
}
const DOCTYPE =
  '<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">'

export function writeMusicXml({ tune, remarks }: FileTune): string {
  const { chart, tuning } = tune
  const out = writtenOut(tune)
  const bars = barsOf(out)
  const written = notesOf(tune)
  const strings = tuning.strings.length
  const score = node(
    'score-partwise',
    [
      node('work', [node('work-title', chart.title)]),
      node('identification', [
        node('encoding', [node('software', 'Nestling')]),
        ...(remarks.length > 0
          ? [
              node(
                'miscellaneous',
                remarks.map((text) => node('miscellaneous-field', text, { '@_name': 'remark' })),
              ),
            ]
          : []),
      ]),
      node('part-list', [node('score-part', [node('part-name', 'Guitar')], { '@_id': 'P1' })]),
      node(
        'part',
        bars.map((bar, index) => {
          const marks = requireAt(chart.bars, index)
          return node(
            'measure',
            [
              ...lineNodes('left', marks, chart.bars[index - 1], chart.bars[index + 1]),
              ...(index === 0
                ? [
                    attributesNode(
                      chart.key,
                      bar,
                      tuning.strings.map(({ name, octave }) => ({ name, octave })),
                    ),
                  ]
                : marks.metre
                  ? [node('attributes', [timeNode(bar)])]
                  : []),
              ...directionNodes(marks, index === 0 ? chart : undefined),
              ...staffNodes(bar, written[index] ?? [], strings),
              ...lineNodes('right', marks, chart.bars[index - 1], chart.bars[index + 1]),
            ],
            { '@_number': index + 1 },
          )
        }),
        { '@_id': 'P1' },
      ),
    ],
    { '@_version': '4.0' },
  )
  const builder = new Builder({
    preserveOrder: true,
    ignoreAttributes: false,
    format: true,
    indentBy: ' ',
    suppressEmptyNode: true,
    processEntities: true,
  })
  return `<?xml version="1.0" encoding="UTF-8" standalone="no"?>\n${DOCTYPE}${builder.build([score])}\n`
}

/** Bars of notes: each chord struck once where it is written, held until the next. */
function notesOf(tune: FileTune['tune']): readonly (readonly WrittenEvent[])[] {
  const chart = writtenOnce(writtenOut(tune).chart)
  const played = playedChart(chart)
  const shapes = played.chords.map(({ bar, slot }) => writtenOut(tune).shapes[played.bars[bar]?.written ?? 0]?.[slot])
  const neck = neckFor(tune)
  const frets = shapes.map((held) => held && { frets: held.frets })
  return writtenTune(played, frets, neck, STROKE_PATTERNS.together).map(({ events }) => events)
}

function attributesNode(
  key: Key | undefined,
  bar: WrittenBarOf,
  strings: readonly { readonly name: string; readonly octave: number }[],
): Node {
  return node('attributes', [
    node('divisions', DIVISIONS),
    ...(key ? [keyNode(key)] : []),
    timeNode(bar),
    node('staves', 2),
    // The guitar is written an octave above what it sounds.
    node('clef', [node('sign', 'G'), node('line', 2), node('clef-octave-change', -1)], { '@_number': 1 }),
    node('clef', [node('sign', 'TAB'), node('line', 5)], { '@_number': 2 }),
    node(
      'staff-details',
      [
        node('staff-lines', strings.length),
        ...strings.map(({ name, octave }, line) =>
          node(
            'staff-tuning',
            [
              node('tuning-step', letterOf(name as Pitch['name'])),
              ...(alterationOf(name as Pitch['name']) === 0
                ? []
                : [node('tuning-alter', alterationOf(name as Pitch['name']))]),
              node('tuning-octave', octave),
            ],
            { '@_line': line + 1 },
          ),
        ),
      ],
      { '@_number': 2 },
    ),
  ])
}

function keyNode(key: Key): Node {
  const { fifths, mode } = signatureOf(key)
  return node('key', [node('fifths', fifths), node('mode', mode)])
}

const timeNode = ({ metre }: WrittenBarOf): Node =>
  node('time', [node('beats', metre.count), node('beat-type', metre.unit)])

/** Repeats and endings at a bar's lines. */
function lineNodes(
  side: 'left' | 'right',
  bar: ChartBar,
  before: ChartBar | undefined,
  after: ChartBar | undefined,
): readonly Node[] {
  const children: Node[] = []
  const starts = bar.ending !== undefined && bar.ending !== before?.ending
  // An ending reaches to its repeat, or to where another one begins.
  const stops = bar.ending !== undefined && (bar.closes === true || after === undefined || after.ending !== bar.ending)
  if (side === 'left') {
    if (bar.opens) children.push(node('bar-style', 'heavy-light'))
    if (starts) children.push(node('ending', [], { '@_number': bar.ending, '@_type': 'start' }))
    if (bar.opens) children.push(node('repeat', [], { '@_direction': 'forward' }))
  } else {
    if (bar.closes) children.push(node('bar-style', 'light-heavy'))
    if (stops)
      children.push(node('ending', [], { '@_number': bar.ending, '@_type': bar.closes ? 'stop' : 'discontinue' }))
    if (bar.closes) children.push(node('repeat', [], { '@_direction': 'backward' }))
  }
  return children.length > 0 ? [node('barline', children, { '@_location': side })] : []
}

/** Parts, tempo and style above the staff. */
function directionNodes(bar: ChartBar, start: FileTune['tune']['chart'] | undefined): readonly Node[] {
  const direction = (type: Node, sound?: number) =>
    node(
      'direction',
      [node('direction-type', [type]), ...(sound === undefined ? [] : [node('sound', [], { '@_tempo': sound })])],
      { '@_placement': 'above' },
    )
  const tempo = start ? start.tempoBpm : bar.tempoBpm
  return [
    ...(bar.part === undefined ? [] : [direction(node('rehearsal', bar.part))]),
    ...(start && start.style !== 'straight' ? [direction(node('words', start.style))] : []),
    ...(tempo === undefined
      ? []
      : [direction(node('metronome', [node('beat-unit', 'quarter'), node('per-minute', tempo)]), tempo)]),
  ]
}

/** The chords with the notes under them; then back, and the same on the TAB. */
function staffNodes(bar: WrittenBarOf, events: readonly WrittenEvent[], strings: number): readonly Node[] {
  const length = Math.round(beatsInBar(bar.metre) * DIVISIONS)
  const start = events[0]?.at ?? 0
  const onsets = bar.chords
  const nodes: Node[] = []
  let next = 0
  const harmoniesUntil = (until: number, from: number) => {
    for (; next < onsets.length && requireAt(onsets, next).at < until - 1e-9; next++) {
      const one = requireAt(onsets, next)
      nodes.push(harmonyNode(one, strings, Math.round((one.at - from) * DIVISIONS)))
    }
  }
  for (const event of events) {
    const at = event.at - start
    harmoniesUntil(at + event.length, at)
    nodes.push(...noteNodes(event, events, 1, strings))
  }
  harmoniesUntil(Number.POSITIVE_INFINITY, length / DIVISIONS)
  nodes.push(node('backup', [node('duration', length)]))
  for (const event of events) nodes.push(...noteNodes(event, events, 2, strings))
  return nodes
}

function harmonyNode({ chord, held }: WrittenChord, strings: number, offset: number): Node {
  const { kind, degrees } = kindOf(chord.formula)
  return node('harmony', [
    node('root', pitchNodes('root', chord.root)),
    node('kind', kind, { '@_text': symbolSuffix(chord.formula) }),
    ...(chord.bass === undefined ? [] : [node('bass', pitchNodes('bass', chord.bass))]),
    ...degrees.map(({ value, alter, type }) =>
      node('degree', [node('degree-value', value), node('degree-alter', alter), node('degree-type', type)], {
        '@_print-object': 'no',
      }),
    ),
    ...(held ? [frameNode(held, strings)] : []),
    ...(offset === 0 ? [] : [node('offset', offset)]),
    node('staff', 1),
  ])
}

const pitchNodes = (prefix: string, name: Chord['root']): readonly Node[] => [
  node(`${prefix}-step`, letterOf(name)),
  ...(alterationOf(name) === 0 ? [] : [node(`${prefix}-alter`, alterationOf(name))]),
]

const FRAME_FRETS = 5
function frameNode({ frets, fingers }: HeldChord, strings: number): Node {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  const highest = Math.max(1, ...pressed)
  const first = highest <= FRAME_FRETS ? 1 : Math.min(...pressed)
  return node('frame', [
    node('frame-strings', strings),
    node('frame-frets', Math.max(FRAME_FRETS, highest - first + 1)),
    ...(first > 1 ? [node('first-fret', first)] : []),
    ...frets.flatMap((fret, string) =>
      fret === null
        ? []
        : [
            node('frame-note', [
              node('string', strings - string),
              node('fret', fret),
              ...(fingers?.[string] ? [node('fingering', String(fingers[string]))] : []),
            ]),
          ],
    ),
  ])
}

function noteNodes(event: WrittenEvent, all: readonly WrittenEvent[], staff: 1 | 2, strings: number): readonly Node[] {
  const duration = Math.round(event.length * DIVISIONS)
  const shape = [
    node('type', TYPES[event.value]),
    ...(event.dotted ? [node('dot')] : []),
    ...(event.triplet ? [node('time-modification', [node('actual-notes', 3), node('normal-notes', 2)])] : []),
    node('staff', staff),
  ]
  const voice = node('voice', staff)
  if (event.notes.length === 0) {
    // A bar of nothing is one rest in any metre, whatever its sign.
    const isBar = all.length === 1
    const rest = node('rest', [], isBar ? { '@_measure': 'yes' } : undefined)
    return [node('note', [rest, node('duration', duration), voice, ...(isBar ? [node('staff', staff)] : shape)])]
  }
  const index = all.indexOf(event)
  const before = all[index - 1]
  const isTail = before?.tied === true
  return event.notes.map((note, place) => {
    const { name, octave } = note.pitch
    const ties = [...(isTail ? ['stop'] : []), ...(event.tied ? ['start'] : [])]
    return node('note', [
      ...(place > 0 ? [node('chord')] : []),
      node('pitch', [
        node('step', letterOf(name)),
        ...(alterationOf(name) === 0 ? [] : [node('alter', alterationOf(name))]),
        node('octave', octave),
      ]),
      node('duration', duration),
      ...ties.map((type) => node('tie', [], { '@_type': type })),
      voice,
      ...shape,
      ...(ties.length > 0 || staff === 2
        ? [
            node('notations', [
              ...ties.map((type) => node('tied', [], { '@_type': type })),
              ...(staff === 2
                ? [node('technical', [node('string', strings - note.string), node('fret', note.fret)])]
                : []),
            ]),
          ]
        : []),
    ])
  })
}
