/** A key on paper: each lane as one neck with all seven steps where they lie, and the cheat sheet of formulas. */
import { chordScale, readKey, writeKey, writeStep } from '../../key/index.ts'
import { keyOnNeck, type LaneStep } from '../../lane/index.ts'
import { neckOf, stringIndex } from '../../neck/index.ts'
import { withSigns } from '../../pitch/index.ts'
import { type BlockRoom, symbolIn } from '../context.ts'
import { fitted, line, type Mark, SMALL, text } from '../marks.ts'
import { labelOf, type NeckRoom, neckGrid, neckMarks, shapeMarks, type TonePlace } from '../neck.ts'
import type { Row } from '../row.ts'
import type { KeyBlock } from '../types.ts'
import { heading, missing } from './words.ts'

const PITCH = 3.2
const LEFT = 22
const DEPTHS_TOLD = ['triads', 'sevenths', 'ninths'] as const

export function keyRows(block: KeyBlock, room: BlockRoom): readonly Row[] {
  const read = readKey(block.key)
  if (!read.ok) return missing(block.id, `${block.key} is no key.`, room)
  const key = read.value
  const { player, naming } = room
  const neck = neckOf(player.instrument)
  const strings = neck.open.length
  const roots = block.roots.filter((number) => number >= 1 && number <= strings)
  const found = keyOnNeck(
    {
      key,
      depth: block.depth,
      school: 'plain',
      fifthInBass: false,
      asks: roots.map((number) => ({ kind: 'root', string: stringIndex(number, strings) })),
    },
    neck,
    player.hand,
  )
  const rows: Row[] = [
    heading(block.id, `The key of ${writeKey(key, { naming })} in ${block.depth}`, room, 'every step where it lies'),
  ]
  const highest = Math.max(5, ...found.lanes.map((lane) => lane.highest))
  for (const [index, lane] of found.lanes.entries())
    rows.push(laneRow(block, lane.steps, roots[index] ?? 0, highest, index === found.lanes.length - 1, room))
  if (block.formulas) rows.push(...formulaRows(block, room))
  return rows
}

/** Steps that lie on one another are told apart by their threads; their names step aside. */
function laneRow(
  block: KeyBlock,
  steps: readonly LaneStep[],
  root: number,
  highest: number,
  isLast: boolean,
  room: BlockRoom,
): Row {
  const { width, facing, measure, sheet, naming } = room
  const read = readKey(block.key)
  const strings = room.player.instrument.tuning.strings.length
  const upper: Mark[] = []
  // Only strings that sound take height.
  const held = steps.flatMap(({ shape, instead }) => shape ?? instead?.shape ?? [])
  const used = Array.from({ length: strings }, (_, string) => string).filter((string) =>
    held.some(({ frets }) => frets[string] !== null),
  )
  const rowOf = (string: number) => used.indexOf(string)
  const neck: NeckRoom = {
    ...facing,
    x: LEFT,
    y: 6.4,
    width: width - LEFT,
    strings: Math.max(1, used.length),
    from: 1,
    to: highest,
    pitch: PITCH,
  }
  const grid = neckGrid(neck)
  const marks: Mark[] = [
    text(0, 6.4 + 4.5, 'root on', { face: 'bold', size: SMALL }),
    text(0, 6.4 + 9, `string ${root}`, { face: 'bold', size: SMALL }),
    ...neckMarks(neck, isLast ? 'all' : 'none'),
  ]
  const taken: { above: number; below: number } = { above: -99, below: -99 }
  const placed = steps
    .flatMap((step) => {
      const shape = step.shape ?? step.instead?.shape
      return shape ? [{ step, shape, chord: step.shape ? step.chord : (step.instead?.chord ?? step.chord) }] : []
    })
    .map((one) => {
      const sounding = one.shape.frets.flatMap((fret, string) =>
        fret === null ? [] : [{ fret, string: rowOf(string) }],
      )
      const bass = sounding[0] as (typeof sounding)[number]
      const top = sounding.at(-1) as (typeof sounding)[number]
      return { ...one, bass: grid.at(bass.string, bass.fret), top: grid.at(top.string, top.fret) }
    })
    .sort((a, b) => a.bass.x - b.bass.x)
  for (const { step, shape, chord, bass, top } of placed) {
    const tones = shape.frets.flatMap((fret, string): readonly TonePlace[] => {
      const degree = shape.degrees[string]
      return fret === null || !degree
        ? []
        : [
            {
              string: rowOf(string),
              fret,
              degree,
              label: labelOf(sheet.labels, { degree, finger: shape.fingering?.fingers[string] }, naming),
            },
          ]
    })
    marks.push(...shapeMarks(neck, tones, { hand: false, egg: 2 }))
    const numeral = read.ok ? writeStep(step.chord, read.value, 'roman') : ''
    const name = symbolIn(room, chord)
    const above = Math.max(top.x - measure(numeral, 'sans', 3) / 2, taken.above + 1.2)
    const below = Math.max(bass.x - measure(name, 'serif', 3.8) / 2, taken.below + 1.4)
    upper.push(text(above, 3.4, numeral, { size: 3, role: 'soft' }))
    marks.push(text(below, grid.bottom + 5.2, name, { face: 'serif', size: 3.8 }))
    taken.above = above + measure(numeral, 'sans', 3)
    taken.below = below + measure(name, 'serif', 3.8)
  }
  if (isLast)
    for (const [index, mark] of marks.entries())
      if (mark.kind === 'text' && mark.size === 3.2) marks[index] = { ...mark, y: mark.y + 4.6 }
  const left = steps.filter(({ shape, instead }) => !shape && !instead)
  if (left.length > 0)
    marks.push(
      text(0, 6.4 + 13.5, `without ${left.map(({ chord }) => symbolIn(room, chord)).join(', ')}`, {
        face: 'italic',
        size: 3,
        role: 'soft',
      }),
    )
  return { block: block.id, height: grid.bottom + (isLast ? 11.4 : 7.4), marks: [...marks, ...upper] }
}

/** What every step is made of. */
function formulaRows(block: KeyBlock, room: BlockRoom): readonly Row[] {
  const read = readKey(block.key)
  if (!read.ok) return []
  const { width, measure } = room
  const columns = DEPTHS_TOLD.map((depth) => chordScale(read.value, depth, 'plain'))
  const first = 16
  const each = (width - first) / DEPTHS_TOLD.length
  const head: Row = {
    block: block.id,
    height: 6,
    marks: [
      text(0, 4, 'step', { face: 'bold' }),
      ...DEPTHS_TOLD.map((depth, index) => text(first + index * each, 4, depth, { face: 'bold' })),
      line(0, 5.4, width, 5.4, 'soft', 0.2),
    ],
    staysWithNext: true,
  }
  return [
    head,
    ...read.value.notes.map((_, index): Row => {
      const step = columns[1]?.[index]
      return {
        block: block.id,
        height: 5.9,
        staysWithNext: index < 6,
        marks: [
          text(0, 4.2, step ? writeStep(step.chord, read.value, 'roman') : ''),
          ...columns.flatMap((steps, column) => {
            const one = steps[index]
            if (!one) return []
            const name = symbolIn(room, one.chord)
            const x = first + column * each
            const beside = Math.max(17, measure(name, 'serif', 4.2) + 2.5)
            return [
              text(x, 4.3, name, { face: 'serif', size: 4.2 }),
              text(
                x + beside,
                4.2,
                fitted(one.chord.formula.map(withSigns).join(' '), each - beside, measure, 'sans', SMALL),
                { role: 'soft' },
              ),
            ]
          }),
          line(0, 5.6, width, 5.6, 'rule', 0.15),
        ],
      }
    }),
  ]
}
